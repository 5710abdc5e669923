package org.jontrel.site.run;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.core.plan.fact.Offer;
import org.jontrel.core.plan.fact.Question;
import org.jontrel.core.plan.fact.Tally;
import org.jontrel.core.recordtype.FieldStorage;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.site.table.Binding;
import org.jontrel.site.table.ColumnValues;
import org.jontrel.site.table.Jdbc;
import org.jontrel.site.table.PhysicalNames;
import org.jontrel.site.table.Schema;

/** What is held for fields and definitions that a plan adds: the newest of it that holds anything. */
final class HeldOffers {
    private final Connection connection;
    private final Binding binding;
    private final Model to;
    private final List<HeldPlace> places;
    private final Map<String, Map<String, String>> corrections;

    HeldOffers(Connection connection, Binding binding, Model to, Map<String, Map<String, String>> corrections)
            throws SQLException {
        this.connection = connection;
        this.binding = binding;
        this.to = to;
        this.places = HeldPlace.all(connection);
        this.corrections = corrections;
    }

    Optional<Offer> to(Question question) throws SQLException {
        var after = to.definition(question.recordTypeId()).flatMap(each -> RecordType.of(to, each));
        var before = binding.table(question.recordTypeId());
        boolean added = question.fieldId().isEmpty()
                ? before.isEmpty()
                : before.isPresent()
                        && before.get().recordType().field(question.fieldId()).isEmpty();
        if (after.isEmpty() || !added) {
            return Optional.empty();
        }
        for (var place : places) {
            if (place.recordType().id().equals(question.recordTypeId())
                    && place.fieldId().equals(question.fieldId())) {
                var offer = question.fieldId().isEmpty()
                        ? tables(place, place.recordType(), after.get())
                        : field(place, after.get());
                if (offer.isPresent()) {
                    return offer;
                }
            }
        }
        return Optional.empty();
    }

    private Optional<Offer> field(HeldPlace place, RecordType after) throws SQLException {
        var then = place.field().orElseThrow();
        var field = after.field(place.fieldId()).orElseThrow();
        if (FieldStorage.of(field.kind()) != FieldStorage.of(then.kind()) || !inPlace(place, after)) {
            return elsewhere(place);
        }
        return place.isColumn() ? column(place, then, field) : tables(place, place.recordType(), after);
    }

    /** Whether the values stand where the field will stand. */
    private boolean inPlace(HeldPlace place, RecordType after) throws SQLException {
        var home = after.home(place.fieldId()).table();
        if (!home.equals(place.recordType().home(place.fieldId()).table())) {
            return false;
        }
        return !place.isColumn()
                || Schema.tableOf(connection, after.id(), place.home())
                        .filter(place.table()::equals)
                        .isPresent();
    }

    private Optional<Offer> column(HeldPlace place, Field then, Field field) throws SQLException {
        if (FieldStorage.of(then.kind()) != FieldStorage.COLUMN) {
            return elsewhere(place);
        }
        var tally = new Tally(then, field, corrections.getOrDefault(field.id(), Map.of()));
        var column = PhysicalNames.quoted(place.column());
        Jdbc.each(
                connection,
                "SELECT " + column + " FROM " + PhysicalNames.quoted(place.table()) + " WHERE " + column
                        + " IS NOT NULL",
                row -> tally.add(ColumnValues.read(row, 1, then.kind()), 1));
        var answer = tally.answer();
        return answer.records() == 0
                ? Optional.empty()
                : Optional.of(new Offer(
                        place.name(),
                        answer.records(),
                        answer.aside(),
                        answer.unconverted(),
                        answer.unconvertedExamples(),
                        true));
    }

    private Optional<Offer> elsewhere(HeldPlace place) throws SQLException {
        long values = new HeldSizes(connection, List.of(place)).of(place).values();
        return values == 0 ? Optional.empty() : Optional.of(new Offer(place.name(), values, 0, 0, List.of(), false));
    }

    /** Whole tables come back as they are, where the fields in them are what they were. */
    private Optional<Offer> tables(HeldPlace place, RecordType then, RecordType after) throws SQLException {
        var main = place.tables().get(PhysicalNames.mark(then.id(), place.fieldId()));
        if (main == null) {
            return Optional.empty();
        }
        long values = records(main, place.fieldId().isEmpty());
        boolean fits = kept(then, place.fieldId()).equals(kept(after, place.fieldId()))
                && then.definition().sort() == after.definition().sort()
                && place.tables().keySet().containsAll(marks(after, place.fieldId()));
        return values == 0 ? Optional.empty() : Optional.of(new Offer(place.name(), values, 0, 0, List.of(), fits));
    }

    private long records(String table, boolean own) throws SQLException {
        return Jdbc.number(
                connection,
                "SELECT COUNT(" + (own ? "*" : "DISTINCT record_id") + ") FROM " + PhysicalNames.quoted(table));
    }

    private static List<String> marks(RecordType recordType, String fieldId) {
        var within = within(recordType, fieldId).map(Field::id).toList();
        return PhysicalNames.tables(recordType).keySet().stream()
                .filter(id -> fieldId.isEmpty() || within.contains(id))
                .map(id -> PhysicalNames.mark(recordType.id(), id))
                .toList();
    }

    private static Stream<Field> within(RecordType recordType, String fieldId) {
        return fieldId.isEmpty()
                ? recordType.byId().values().stream()
                : recordType.field(fieldId).orElseThrow().withInner();
    }

    /** A field as far as its values are concerned; those within it speak for themselves. */
    private record Form(String id, String table, Object kind) {}

    private static List<Form> kept(RecordType recordType, String fieldId) {
        return within(recordType, fieldId)
                .filter(field -> FieldStorage.of(field.kind()) != FieldStorage.NOT)
                .map(field -> new Form(
                        field.id(),
                        recordType.home(field.id()).table(),
                        field.kind() instanceof Kind.Repeater ? "rows" : field.kind()))
                .sorted(java.util.Comparator.comparing(Form::id))
                .toList();
    }
}
