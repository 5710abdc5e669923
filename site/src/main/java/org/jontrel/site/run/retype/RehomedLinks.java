package org.jontrel.site.run.retype;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jontrel.core.retype.TypeMove;
import org.jontrel.core.value.Link;
import org.jontrel.core.value.Row;
import org.jontrel.site.record.read.StoredRecord;

/**
 * Links of records that come back where a condition says of which type records are: what they lead to may be of another type by
 * then, though nobody has saved the record that leads there.
 *
 * @param before of which types records are while the older definitions are in use
 * @param after of which types they are from now on
 */
record RehomedLinks(List<TypeMove> ways, RecordHomes before, RecordHomes after) {
    /** Whether nothing of the kind can be. */
    boolean areSure() {
        return ways.stream().allMatch(each -> each.when().isAll());
    }

    /** Whether a held record leads to something, or stands under something, that is of another type by now. */
    boolean differ(StoredRecord held) {
        return !areSure()
                && (!of(held.values()).equals(held.values())
                        || !held.parent().map(this::of).equals(held.parent()));
    }

    /** The values with links to where the records are. */
    Map<String, Object> of(Map<String, Object> values) {
        return areSure() ? values : group(values);
    }

    private Map<String, Object> group(Map<?, ?> values) {
        var all = new LinkedHashMap<String, Object>();
        values.forEach((id, value) -> all.put((String) id, value(value)));
        return all;
    }

    private Object value(Object value) {
        return switch (value) {
            case Link link -> of(link);
            case Row(long id, Map<String, Object> inner) -> new Row(id, group(inner));
            case List<?> list -> list.stream().map(this::value).toList();
            case Map<?, ?> group -> group(group);
            default -> value;
        };
    }

    private Link of(Link link) {
        boolean concerned = ways.stream().anyMatch(each -> each.to().equals(link.type()));
        return Optional.of(link)
                .filter(_ -> concerned)
                .flatMap(before::of)
                .flatMap(type -> after.of(new Link(type, link.id())))
                .map(type -> new Link(type, link.id()))
                .orElse(link);
    }
}
