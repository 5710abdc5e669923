package org.jontrel.core.importer;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Pattern;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.finding.Place;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.propose.kind.CellTexts;
import org.jontrel.core.record.Values;
import org.jontrel.core.spelling.Reading;
import org.jontrel.core.value.kind.KindValues;

/** A cell that goes to a field. */
record FieldCell(BoundSheet sheet, BoundColumn column, List<CellProblem> problems) {
    private static final Kind DEGREES = new Kind.Numeric(6, null, null, "°");

    /** What the cell says, as a form would send it; empty where it says nothing that can be read. */
    Optional<Object> value(String text) {
        var separator = column.mapping().separator();
        if (!column.field().kind().amount().many() || separator.isEmpty()) {
            return one(text);
        }
        var values = new ArrayList<>();
        for (var part : parts(text, separator)) {
            one(part).ifPresent(values::add);
        }
        boolean adds = !sheet.mapping().clears()
                && column.field().kind() instanceof Kind.Relation relation
                && relation.symmetric();
        return Optional.of(adds ? new ReadRow.AddedValues(values) : values);
    }

    private Optional<Object> one(String text) {
        var field = column.field();
        return switch (field.kind()) {
            case Kind.Relation _, Kind.TermPick _, Kind.Image _, Kind.File _ -> Optional.of(name(text));
            case Kind.Coordinates _ when !column.mapping().part().isEmpty() -> degrees(text);
            default -> {
                var value = CellTexts.read(field.kind(), reading(), text);
                if (value.isEmpty()) {
                    unread(field, text);
                }
                yield value.map(each -> KindValues.of(field.kind()).wire(each));
            }
        };
    }

    private Optional<Object> degrees(String text) {
        var degrees = CellTexts.read(DEGREES, reading(), text);
        if (degrees.isEmpty()) {
            problem(text, Code.IMPORT_DEGREES, text);
        }
        return degrees.map(each -> Map.of(column.mapping().part(), String.valueOf(each)));
    }

    /** In the words of the field itself, where it has some; a text that could be read in two ways is told with both. */
    private void unread(Field field, String text) {
        var readings = Reading.of(field.kind(), text);
        if (readings.size() > 1) {
            var shown = readings.values().stream()
                    .map(each -> Values.show(field.kind(), each))
                    .toList();
            problem(text, Code.IMPORT_TWO_WAYS, text, shown.getFirst(), shown.getLast());
            return;
        }
        Values.typed(field, text).findings().stream()
                .findFirst()
                .ifPresentOrElse(
                        finding -> problems.add(new CellProblem(column.index(), text, finding)),
                        () -> problem(text, Code.IMPORT_CELL, text, field.label()));
    }

    /** Of texts that could be read in two ways; {@code null} where none is to be read so. */
    Reading reading() {
        return BoundSheet.reading(column.mapping()).orElse(null);
    }

    CellName name(String text) {
        return new CellName(
                column.index(),
                column.targets(),
                column.mapping().by(),
                column.mapping().missing(),
                text);
    }

    void problem(String text, Code code, Object... more) {
        var arguments = new Object[more.length + 1];
        arguments[0] = column.name();
        System.arraycopy(more, 0, arguments, 1, more.length);
        problems.add(new CellProblem(column.index(), text, Finding.of(code, Place.NOWHERE, arguments)));
    }

    private static List<String> parts(String text, String separator) {
        return Arrays.stream(text.split(Pattern.quote(separator), -1))
                .map(String::strip)
                .filter(each -> !each.isEmpty())
                .toList();
    }
}
