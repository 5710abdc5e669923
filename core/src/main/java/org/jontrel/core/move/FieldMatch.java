package org.jontrel.core.move;

import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.BiPredicate;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;

/** Which fields of rows and of records say the same: by their keys, and for titles by what names a row. */
final class FieldMatch {
    private static final String TITLE = "part_title";
    private static final List<String> NAMES = List.of("name", "title", "label", "heading");
    private final Map<String, String> matched = new LinkedHashMap<>();
    private final Set<String> taken = new HashSet<>();
    private final boolean toRows;

    private FieldMatch(Optional<Field> link, boolean toRows) {
        this.toRows = toRows;
        // it says which belong together, wherever it stands
        link.ifPresent(each -> taken.add(each.id()));
    }

    /**
     * By the ids of the first fields, those of the others.
     *
     * @param rowName id of the field that names a row; empty where none does
     * @param link the relation from records to what the rows are in, which comes from no row
     */
    static Map<String, String> of(
            List<Field> rows, String rowName, List<Field> records, Optional<Field> link, boolean toRows) {
        var match = new FieldMatch(link, toRows);
        match.pairs(rows, records);
        // a text alone makes nothing the same
        if (match.matched.isEmpty()) {
            return Map.of();
        }
        match.title(rows, rowName, records);
        return match.matched;
    }

    /**
     * Of fields that stand among others, only those of the same key, with the key of the type before it or not: {@code phone} and
     * {@code owner_phone} of an owner, whose title is {@code owner}, or {@code owner_name}. Empty where they are less than half of
     * what the others have.
     *
     * @param link as for {@link #of}
     * @param key of the type
     */
    static Map<String, String> among(List<Field> fields, List<Field> records, Optional<Field> link, String key) {
        var match = new FieldMatch(link, false);
        match.pairs(fields, records);
        match.named(fields, records, key);
        long all =
                records.stream().filter(each -> !each.id().startsWith("part_")).count();
        long own = match.matched.values().stream()
                .filter(id -> records.stream().anyMatch(each -> each.id().equals(id)))
                .filter(id -> !id.startsWith("part_"))
                .count();
        return own == 0 || own * 2 < all ? Map.of() : match.matched;
    }

    /**
     * Of all fields of one content type and those of another, by the ids of the first.
     *
     * @param given ids that a person matched
     */
    static Map<String, String> ofTypes(List<Field> from, List<Field> to, Map<String, String> given) {
        var match = new FieldMatch(Optional.empty(), false);
        match.matched.putAll(given);
        match.taken.addAll(given.values());
        match.pairs(from, to);
        return match.matched;
    }

    private void pairs(List<Field> rows, List<Field> records) {
        for (var row : rows) {
            if (matched.containsKey(row.id())) {
                continue;
            }
            records.stream()
                    .filter(each -> each.key().equals(row.key()) && !taken.contains(each.id()) && fits(row, each))
                    .findFirst()
                    .ifPresent(each -> {
                        pair(row, each);
                        pairs(row.inner(), each.inner());
                    });
        }
    }

    private void named(List<Field> fields, List<Field> records, String key) {
        for (var field : fields) {
            records.stream()
                    .filter(each -> !matched.containsKey(field.id()) && !taken.contains(each.id()) && fits(field, each))
                    .filter(each -> field.key().equals(key + "_" + each.key())
                            || each.id().equals(TITLE)
                                    && (field.key().equals(key)
                                            || NAMES.stream()
                                                    .anyMatch(
                                                            name -> field.key().equals(key + "_" + name))))
                    .findFirst()
                    .ifPresent(each -> pair(field, each));
        }
    }

    private void pair(Field row, Field record) {
        matched.put(row.id(), record.id());
        taken.add(record.id());
    }

    private boolean fits(Field row, Field record) {
        return row.inner().isEmpty() == record.inner().isEmpty()
                && row.kind().holdsValue() == record.kind().holdsValue()
                && (toRows ? MoveRules.carries(record, row) : MoveRules.carries(row, record));
    }

    private void title(List<Field> rows, String rowName, List<Field> records) {
        var title = records.stream().filter(each -> each.id().equals(TITLE)).findFirst();
        if (title.isEmpty() || taken.contains(TITLE)) {
            return;
        }
        List<BiPredicate<Field, String>> ways = List.of(
                (row, _) -> row.id().equals(rowName),
                (row, _) -> NAMES.contains(row.key()),
                (row, _) -> row.kind() instanceof Kind.Text);
        for (var way : ways) {
            var named = rows.stream()
                    .filter(row -> row.kind() instanceof Kind.Text
                            && !matched.containsKey(row.id())
                            && fits(row, title.get())
                            && way.test(row, TITLE))
                    .findFirst();
            if (named.isPresent()) {
                pair(named.get(), title.get());
                return;
            }
        }
    }
}
