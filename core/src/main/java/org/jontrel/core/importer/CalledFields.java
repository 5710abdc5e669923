package org.jontrel.core.importer;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.propose.word.Header;
import org.jontrel.core.propose.word.Spellings;
import org.jontrel.core.sheet.ColumnFacts;

/** Which field of a type a column is called like. */
final class CalledFields {
    private CalledFields() {}

    /** The field that a column is called like, with those around it; of several, the outermost. */
    static Optional<List<Field>> of(List<Field> fields, ColumnFacts column) {
        var header = column.header().strip();
        var label = Header.of(header).label();
        var group = column.group().isBlank() ? "" : Header.of(column.group()).label();
        var ways = new ArrayList<List<Field>>();
        ways(fields, List.of(), ways);
        return ways.stream()
                .filter(way -> group.isEmpty() || way.size() > 1 && is(way.get(way.size() - 2), group, group))
                .filter(way -> is(way.getLast(), header, label))
                .findFirst()
                .or(() -> ways.stream().filter(way -> isWhole(way, header)).findFirst())
                .or(() -> ways.stream()
                        .filter(way -> !group.isEmpty() && way.size() == 1 && is(way.getLast(), header, label))
                        .findFirst());
    }

    private static boolean is(Field field, String header, String label) {
        return Spellings.bare(field.key()).equals(Spellings.bare(header))
                || Spellings.bare(field.label()).equals(Spellings.bare(label))
                || Spellings.bare(field.label()).equals(Spellings.bare(header));
    }

    /** With the names of the groups around it: {@code chamber.length}, “Chamber / Length”, “Chamber length”. */
    private static boolean isWhole(List<Field> way, String header) {
        var keys = String.join(".", way.stream().map(Field::key).toList());
        var labels = String.join(" ", way.stream().map(Field::label).toList());
        return way.size() > 1 && (keys.equals(header) || Spellings.bare(labels).equals(Spellings.bare(header)));
    }

    /** Groups only: what stands in rows has no one value. */
    private static void ways(List<Field> fields, List<Field> above, List<List<Field>> ways) {
        var inner = new ArrayList<List<Field>>();
        for (var each : fields) {
            var way = Stream.concat(above.stream(), Stream.of(each)).toList();
            if (each.kind() instanceof Kind.FieldGroup) {
                ways(each.inner(), way, inner);
            } else if (each.kind().holdsValue() && !(each.kind() instanceof Kind.Repeater)) {
                ways.add(way);
            }
        }
        ways.addAll(inner);
    }
}
