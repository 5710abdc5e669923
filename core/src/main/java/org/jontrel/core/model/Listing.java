package org.jontrel.core.model;

import java.util.List;
import java.util.Locale;
import org.jontrel.core.model.block.RecordsForm;
import org.jontrel.core.model.condition.Condition;

/**
 * A saved query over the records of one type, or the terms of a taxonomy, with a way to show its results.
 *
 * @param type id of the content type or taxonomy it lists
 * @param where which records it lists
 * @param about a taxonomy or a relation of the type: only records that share a term of it with the record being shown, or
 *     lead there by it, and never that record itself; empty for all
 * @param order by what, first things first
 * @param limit most records shown
 * @param fields ids of the fields shown with each record
 * @param layout id of the layout that shows each record; only for {@link ResultStyle#LAYOUT}
 */
public record Listing(
        String id,
        String key,
        String title,
        String description,
        String type,
        Condition where,
        String about,
        List<RecordsForm.Order> order,
        int limit,
        ResultStyle shown,
        List<String> fields,
        String layout)
        implements Definition {
    public static final int MOST = RecordsForm.MOST;

    public Listing {
        order = List.copyOf(order);
        fields = List.copyOf(fields);
    }

    @Override
    public String name() {
        return title;
    }

    /** How results look. */
    public enum ResultStyle {
        LINES,
        TABLE,
        CARDS,
        LAYOUT;

        public String code() {
            return name().toLowerCase(Locale.ROOT);
        }
    }
}
