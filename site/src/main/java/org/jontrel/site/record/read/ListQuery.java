package org.jontrel.site.record.read;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.jontrel.core.model.condition.Condition;

/**
 * Which records a list shows, and in what order.
 *
 * @param where over fields of the definition, {@link SystemField} parts, terms, parent and state; terms as their numbers
 * @param search words that must all be in the record, each as the beginning of a word; empty for all
 * @param sort by fields in columns or own parts; the last saved first where empty
 * @param after where the page before ended, as {@link RecordList#next} gave it
 * @param most records of a page
 * @param fields ids of the fields wanted; all where {@code null}
 * @param audience who asks: finds nothing by what it may not read
 */
public record ListQuery(
        Condition where,
        String search,
        List<SortOrder> sort,
        Optional<String> after,
        int most,
        Set<String> fields,
        Audience audience) {
    public static final int MOST = 500;
    public static final ListQuery ALL =
            new ListQuery(Condition.ALWAYS, "", List.of(), Optional.empty(), 50, null, Audience.PEOPLE);

    public ListQuery {
        sort = List.copyOf(sort);
        most = Math.clamp(most, 1, MOST);
    }

    /** By a field or an {@link SystemField} part, by its id; nothing comes before something. */
    public record SortOrder(String field, boolean descending) {}

    public ListQuery where(Condition newWhere) {
        return new ListQuery(newWhere, search, sort, after, most, fields, audience);
    }

    public ListQuery search(String words) {
        return new ListQuery(where, words, sort, after, most, fields, audience);
    }

    public ListQuery sortedBy(String field, boolean descending) {
        return new ListQuery(where, search, List.of(new SortOrder(field, descending)), after, most, fields, audience);
    }

    public ListQuery after(Optional<String> cursor) {
        return new ListQuery(where, search, sort, cursor, most, fields, audience);
    }

    public ListQuery most(int records) {
        return new ListQuery(where, search, sort, after, records, fields, audience);
    }

    public ListQuery only(Set<String> fieldIds) {
        return new ListQuery(where, search, sort, after, most, fieldIds, audience);
    }

    public ListQuery as(Audience reader) {
        return new ListQuery(where, search, sort, after, most, fields, reader);
    }
}
