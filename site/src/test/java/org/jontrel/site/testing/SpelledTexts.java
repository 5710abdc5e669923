package org.jontrel.site.testing;

import java.util.List;
import java.util.Map;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;

/** Texts as people write numbers, dates, and yes or no: what a run may take over, and what it asks about. */
final class SpelledTexts {
    private static final List<String> ALL =
            List.of("12,5", "1 234,50", "8 ft 6 in", "12 May 2026", "3/4/2026", "x", "007", "1,234");

    private static final List<String> NAMES =
            List.of("Wood > Oak", "wood>oak > Bog oak", "Stone", "Stone > Oak", "> Wood >", ">", "Record 1", "é > É");

    private SpelledTexts() {}

    /** A text that could become a value of another kind; nothing for fields of other kinds. */
    static Map<String, Object> of(Field field, int number) {
        if (field.key().startsWith("name_")) {
            return Map.of(field.key(), NAMES.get((number + field.label().length()) % NAMES.size()));
        }
        if (field.kind() instanceof Kind.Repeater rows
                && rows.fields().getFirst().key().startsWith("name_")) {
            var name = rows.fields().getFirst();
            return Map.of(field.key(), List.of(of(name, number), of(name, number + 1), of(name, number + 1)));
        }
        return field.kind() instanceof Kind.Text && !field.id().equals("part_title")
                ? Map.of(field.key(), ALL.get((number + field.label().length()) % ALL.size()))
                : Map.of();
    }
}
