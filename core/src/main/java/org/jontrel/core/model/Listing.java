package org.jontrel.core.model;

import java.util.List;
import java.util.Locale;

/**
 * A saved query over the records of one type, with a way to show its results.
 *
 * @param type id of the content type it lists
 * @param where which records it lists
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
        List<Order> order,
        int limit,
        ResultStyle shown,
        List<String> fields,
        String layout)
        implements Definition {
    public static final int MOST = 200;

    public Listing {
        order = List.copyOf(order);
        fields = List.copyOf(fields);
    }

    @Override
    public String name() {
        return title;
    }

    /** @param field id of the field to sort by */
    public record Order(String field, boolean descending) {}

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
