package org.jontrel.core.importer;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.Taxonomy;
import org.jontrel.core.naming.Nouns;
import org.jontrel.core.propose.ColumnUse;
import org.jontrel.core.propose.ProposedColumn;
import org.jontrel.core.propose.ProposedSheet;
import org.jontrel.core.propose.word.Spellings;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.core.sheet.ColumnFacts;
import org.jontrel.core.sheet.SheetFacts;
import org.jontrel.core.sheet.WorkbookFacts;

/** Where the columns of a sheet would go: by what they are called, and of those that are not fields, by what they hold. */
final class ColumnProposals {
    private static final Pattern NUMBERED = Pattern.compile("(.*\\S)\\s*[ _#-]?\\s*([1-9][0-9]?)\\b\\s*(.*)");
    private static final Pattern PARENT =
            Pattern.compile("(.*\\b)?(parent|part of|belongs to|under|within|above)\\b.*");
    private static final List<String> SEPARATORS = List.of(";", "|", "\n", ",");
    private final WorkbookFacts facts;
    private final int index;
    private final SheetFacts sheet;
    private final Map<Integer, ProposedColumn> proposed = new LinkedHashMap<>();
    private final Model model;

    ColumnProposals(WorkbookFacts facts, int index, ProposedSheet proposed, Model model) {
        this.facts = facts;
        this.index = index;
        this.sheet = facts.sheets().get(index);
        this.model = model;
        proposed.columns().forEach(each -> this.proposed.put(each.column(), each));
    }

    /** How many columns of a sheet a type has fields for. */
    static long found(SheetFacts sheet, RecordType to) {
        return sheet.columns().stream()
                .filter(each -> CalledFields.of(to.fields().toList(), each).isPresent())
                .count();
    }

    List<ColumnMapping> of(RecordType to) {
        var names = ColumnNames.of(sheet);
        var taken = new HashSet<String>();
        var columns = new ArrayList<ColumnMapping>();
        for (var each : sheet.columns()) {
            var mapping = mapping(to, each, names.get(each.index()));
            var goal = mapping.goal() == ColumnMapping.Goal.FIELD
                    ? mapping.field() + " " + mapping.row() + " " + mapping.part()
                    : mapping.goal().name();
            boolean free = mapping.goal() == ColumnMapping.Goal.SKIP || taken.add(goal);
            columns.add(free ? mapping : ColumnMapping.of(mapping.column(), ColumnMapping.Goal.SKIP));
        }
        return columns;
    }

    /** A column by which records are told apart: a field that is unique, else the title where no two rows have the same. */
    static String key(SheetFacts sheet, RecordType to, List<ColumnMapping> columns) {
        var unique = columns.stream()
                .filter(each -> to.columns("").stream()
                        .anyMatch(field -> field.id().equals(each.field())
                                && field.kind() instanceof Kind.Text text
                                && text.unique()))
                .findFirst();
        var names = ColumnNames.of(sheet);
        var title = columns.stream()
                .filter(each -> to.title()
                        .filter(field -> field.id().equals(each.field()))
                        .isPresent())
                .filter(each -> sheet.columns().stream()
                        .anyMatch(facts -> names.get(facts.index()).equals(each.column()) && facts.isUnique()))
                .findFirst();
        return unique.or(() -> title).map(ColumnMapping::column).orElse("");
    }

    /** Of a sheet whose rows belong to records of a type. */
    List<ColumnMapping> rows(RecordType owner) {
        var names = ColumnNames.of(sheet);
        var columns = new ArrayList<ColumnMapping>();
        var into = outer(owner);
        for (var each : sheet.columns()) {
            var name = names.get(each.index());
            var use = proposed.get(each.index()).use();
            if (each.index() == owning(owner)) {
                columns.add(ColumnMapping.of(name, ColumnMapping.Goal.OWNER).by(by(each, owner)));
                continue;
            }
            var field = into.flatMap(outer -> outer.kind() instanceof Kind.Repeater
                    ? CalledFields.of(outer.inner(), each).map(way -> way.getLast())
                    : use == ColumnUse.FIELD ? Optional.of(outer) : Optional.empty());
            columns.add(field.map(found -> filled(ColumnMapping.field(name, found.id()), found, each))
                    .orElseGet(() -> ColumnMapping.of(name, ColumnMapping.Goal.SKIP)));
        }
        return columns;
    }

    /** The column that says to which record a row belongs: the one proposed, else the first that is called like its type. */
    private int owning(RecordType owner) {
        return proposed.values().stream()
                .filter(each -> each.use() == ColumnUse.OWNER)
                .map(ProposedColumn::column)
                .findFirst()
                .orElseGet(() -> sheet.columns().stream()
                        .filter(each -> (" " + Spellings.bare(each.header()) + " ")
                                .contains(" " + Spellings.bare(owner.singular()) + " "))
                        .map(ColumnFacts::index)
                        .findFirst()
                        .orElse(-1));
    }

    /** The repeater that has most of the columns; else a relation that a column is proposed for. */
    private Optional<Field> outer(RecordType owner) {
        var repeater = owner.fields()
                .filter(each -> each.kind() instanceof Kind.Repeater)
                .filter(each -> sheet.columns().stream()
                        .anyMatch(
                                column -> CalledFields.of(each.inner(), column).isPresent()))
                .max(Comparator.comparing(each -> sheet.columns().stream()
                        .filter(column -> CalledFields.of(each.inner(), column).isPresent())
                        .count()));
        return repeater.or(() -> proposed.values().stream()
                .filter(each -> each.use() == ColumnUse.FIELD && each.field() != null)
                .flatMap(each -> owner.fields()
                        .filter(field -> field.id().equals(each.field().id())))
                .findFirst());
    }

    private ColumnMapping mapping(RecordType to, ColumnFacts column, String name) {
        var header = Spellings.bare(column.header());
        var use = proposed.get(column.index()).use();
        var field = CalledFields.of(to.fields().toList(), column);
        if (field.isPresent()) {
            return filled(
                    ColumnMapping.field(name, field.get().getLast().id()),
                    field.get().getLast(),
                    column);
        }
        if (header.equals("number") || header.equals("record number")) {
            return ColumnMapping.of(name, ColumnMapping.Goal.NUMBER);
        }
        if (header.equals("address") || use == ColumnUse.ADDRESS) {
            return ColumnMapping.of(name, ColumnMapping.Goal.ADDRESS);
        }
        if (header.equals("state") || use == ColumnUse.STATE) {
            return ColumnMapping.of(
                    name,
                    column.signs().keySet().stream()
                                            .anyMatch(each -> each.name().startsWith("DATE"))
                                    && column.misfits().isEmpty()
                                    && !header.equals("state")
                            ? ColumnMapping.Goal.PUBLISH_AT
                            : ColumnMapping.Goal.STATE);
        }
        if (use == ColumnUse.TITLE && to.title().isPresent()) {
            return ColumnMapping.field(name, to.title().get().id());
        }
        if (isParent(to, column, use)) {
            var above =
                    BoundSheet.recordType(model, to.nesting().under().iterator().next());
            return ColumnMapping.of(name, ColumnMapping.Goal.PARENT)
                    .by(above.map(each -> by(column, each)).orElse(ColumnMapping.BY_TITLE));
        }
        return placed(to, column, name)
                .or(() -> numbered(to, column, name))
                .orElseGet(() -> ColumnMapping.of(name, ColumnMapping.Goal.SKIP));
    }

    /** By its words, or because it is called like what records stand under. */
    private boolean isParent(RecordType to, ColumnFacts column, ColumnUse use) {
        var header = Spellings.bare(column.header());
        return !to.nesting().under().isEmpty()
                && (use == ColumnUse.PARENT
                        || PARENT.matcher(header).matches()
                        || to.nesting().under().stream()
                                .flatMap(each -> BoundSheet.recordType(model, each).stream())
                                .anyMatch(
                                        each -> Spellings.bare(each.singular()).equals(header)));
    }

    /** Latitude or longitude of a field for places. */
    private static Optional<ColumnMapping> placed(RecordType to, ColumnFacts column, String name) {
        var header = Spellings.bare(column.header());
        var part = Stream.of("latitude", "longitude", "lat", "lng", "long", "lon")
                .filter(each -> header.equals(each) || header.endsWith(" " + each))
                .findFirst()
                .map(each -> each.startsWith("la") ? "latitude" : "longitude");
        var rest = header.replaceFirst("\\s*(latitude|longitude|lat|lng|long|lon)$", "");
        var places = to.byId().values().stream()
                .filter(each -> each.kind() instanceof Kind.Coordinates)
                .toList();
        return part.flatMap(each -> places.stream()
                .filter(field -> places.size() == 1
                        || Spellings.bare(field.label()).equals(rest)
                        || field.key().equals(rest))
                .findFirst()
                .map(field -> ColumnMapping.field(name, field.id()).part(each)));
    }

    /** “Image 2”, “Test 3 date”: the field of rows, or of several values, and which of them. */
    private Optional<ColumnMapping> numbered(RecordType to, ColumnFacts column, String name) {
        var whole = column.group().isBlank() ? column.header() : column.group() + " " + column.header();
        var numbers = NUMBERED.matcher(whole.strip());
        if (!numbers.matches()) {
            return Optional.empty();
        }
        var stem = Spellings.bare(numbers.group(1));
        var rest = Spellings.bare(numbers.group(3));
        int row = Integer.parseInt(numbers.group(2));
        return to.fields()
                .filter(each -> each.kind() instanceof Kind.Repeater
                        || each.kind().amount().many())
                .filter(each -> Stream.of(Spellings.bare(each.label()), Spellings.bare(each.key()))
                        .anyMatch(label -> label.equals(stem) || label.equals(Spellings.bare(Nouns.plural(stem)))))
                .flatMap(each -> inner(each, rest, stem).stream())
                .findFirst()
                .map(field -> filled(ColumnMapping.field(name, field.id()).row(row), field, column));
    }

    private static Optional<Field> inner(Field outer, String rest, String stem) {
        if (!(outer.kind() instanceof Kind.Repeater rows)) {
            return rest.isBlank() ? Optional.of(outer) : Optional.empty();
        }
        return rows.fields().stream()
                .filter(each -> rest.isBlank()
                        ? rows.fields().size() == 1
                                || Spellings.bare(each.label()).equals(stem)
                        : Spellings.bare(each.label()).equals(rest)
                                || each.key().equals(rest))
                .filter(each -> each.inner().isEmpty())
                .findFirst();
    }

    /** With what belongs to the kind: how values stand beside each other, and how names are told. */
    private ColumnMapping filled(ColumnMapping mapping, Field field, ColumnFacts column) {
        var reading = proposed.get(column.index()).reading();
        var read = reading == null ? mapping : mapping.reading(reading.code());
        var separated = field.kind().amount().many() && mapping.row() == 0 ? read.separated(separator(column)) : read;
        return switch (field.kind()) {
            case Kind.TermPick term ->
                separated
                        .by(
                                column.parts().containsKey(">") && isHierarchical(term.taxonomy())
                                        ? ColumnMapping.BY_PATH
                                        : ColumnMapping.BY_TITLE)
                        .missing(ColumnMapping.WhenMissing.MAKE);
            case Kind.Relation relation ->
                separated.by(
                        BoundSheet.recordType(model, relation.to().iterator().next())
                                .map(each -> by(column, each))
                                .orElse(ColumnMapping.BY_TITLE));
            default -> separated;
        };
    }

    private boolean isHierarchical(String taxonomy) {
        return model.definition(taxonomy)
                .filter(each -> each instanceof Taxonomy found && found.hierarchical())
                .isPresent();
    }

    private String separator(ColumnFacts column) {
        var seen = proposed.get(column.index()).separator();
        return !seen.isEmpty()
                ? seen
                : SEPARATORS.stream()
                        .filter(each -> column.parts().containsKey(each))
                        .findFirst()
                        .orElse(",");
    }

    /** By the column of another sheet in which the values stand, where that is one that tells records apart; else by the title. */
    private String by(ColumnFacts column, RecordType target) {
        return facts.links().stream()
                .filter(link -> link.sheet() == index && link.column() == column.index())
                .flatMap(link -> facts.sheets().get(link.toSheet()).columns().stream()
                        .filter(each -> each.index() == link.toColumn()))
                .flatMap(each -> CalledFields.of(target.columns(""), each).stream())
                .map(way -> way.getLast())
                .map(field -> target.title().filter(field::equals).isPresent() ? ColumnMapping.BY_TITLE : field.key())
                .findFirst()
                .orElse(
                        target.title().isPresent() || target.definition().sort() == Definition.Sort.TAXONOMY
                                ? ColumnMapping.BY_TITLE
                                : ColumnMapping.BY_ADDRESS);
    }
}
