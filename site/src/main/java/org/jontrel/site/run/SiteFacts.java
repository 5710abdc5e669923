package org.jontrel.site.run;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jontrel.core.code.Decision;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.core.move.RelatedFields;
import org.jontrel.core.plan.MovePlan;
import org.jontrel.core.plan.PlanQuestion;
import org.jontrel.core.plan.SourceProposal;
import org.jontrel.core.plan.Step;
import org.jontrel.core.plan.fact.Answer;
import org.jontrel.core.plan.fact.Breach;
import org.jontrel.core.plan.fact.Question;
import org.jontrel.core.plan.fact.Tally;
import org.jontrel.core.plan.undo.UndoPlanner;
import org.jontrel.core.plan.undo.UndoPlanner.Since;
import org.jontrel.core.record.Values;
import org.jontrel.core.recordtype.FieldStorage;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.site.record.read.UnconvertedValues;
import org.jontrel.site.run.count.CountListener;
import org.jontrel.site.run.move.MoveCounts;
import org.jontrel.site.run.move.MovedReturn;
import org.jontrel.site.run.move.RecordFacts;
import org.jontrel.site.run.move.RelatedValues;
import org.jontrel.site.run.name.SiteNameLookup;
import org.jontrel.site.run.retype.RetypeFacts;
import org.jontrel.site.table.Binding;
import org.jontrel.site.table.ColumnValues;
import org.jontrel.site.table.Jdbc;
import org.jontrel.site.table.PhysicalNames;
import org.jontrel.site.table.SureValues;

/** Answers a plan's questions from the site's real records. */
final class SiteFacts {
    private static final int REMEMBERED = 50_000;
    private static final int MOVED = 2_000;
    private final Connection connection;
    private final Binding binding;
    private final Map<String, Map<String, String>> corrections;
    private final List<Decision> decisions;

    /** @param decisions answers given so far: some are about what is counted */
    SiteFacts(Connection connection, Binding binding, List<Decision> decisions) {
        this.connection = connection;
        this.binding = binding;
        this.decisions = decisions;
        this.corrections = PlanQuestion.corrections(decisions);
    }

    SiteFacts(Connection connection, Binding binding) {
        this(connection, binding, List.of());
    }

    Map<Question, Answer> answers(List<Question> questions, Model to, CountListener listener) throws SQLException {
        listener.begins(questions.size());
        var answers = new HashMap<Question, Answer>();
        var offers = new HeldOffers(connection, binding, to, corrections);
        var records = new HashMap<>(new RecordFacts(connection, binding, decisions).answers(to));
        records.putAll(new RetypeFacts(connection, binding, decisions).answers(to));
        for (var question : questions) {
            var counted = records.get(question);
            var answer = (counted != null ? counted : answer(question, to, listener))
                    .breaking(breaches(question, to))
                    .offering(offers.to(question));
            answers.put(question, answer);
            listener.answered(question, answer);
        }
        return answers;
    }

    private Map<Breach, Long> breaches(Question question, Model to) throws SQLException {
        var table = binding.table(question.recordTypeId());
        var after = to.definition(question.recordTypeId()).flatMap(each -> RecordType.of(to, each));
        if (table.isEmpty() || after.isEmpty()) {
            return Map.of();
        }
        var breaches = new Breaches(connection, table.get());
        if (question.fieldId().isEmpty()) {
            return breaches.parents(after.get());
        }
        var was = table.get().recordType().field(question.fieldId());
        var is = after.get().field(question.fieldId());
        return was.isEmpty() || is.isEmpty() ? Map.of() : breaches.of(was.get(), is.get());
    }

    private Answer answer(Question question, Model to, CountListener listener) throws SQLException {
        var table = binding.table(question.recordTypeId());
        if (table.isEmpty()) {
            return Answer.NONE;
        }
        if (RelatedFields.is(question.fieldId())) {
            return RelatedValues.answer(connection, binding, table.get(), question.fieldId());
        }
        var moved = moved(table.get(), question.fieldId(), to);
        if (moved.isPresent()) {
            return moved.get().answer();
        }
        var corrected = corrections.getOrDefault(question.fieldId(), Map.of());
        var known = listener.known(question, corrected);
        if (known.isPresent()) {
            return known.get();
        }
        var answer = unmoved(table.get(), question, to);
        listener.counted(question, corrected, answer);
        return answer;
    }

    /** Of a field that keeps its place, or a new one. */
    private Answer unmoved(Binding.BoundTables table, Question question, Model to) throws SQLException {
        var before = table.recordType().field(question.fieldId());
        if (before.isEmpty()) {
            var place = newPlace(table, question, to);
            long rows = place.isEmpty()
                    ? 0
                    : Jdbc.number(
                            connection,
                            "SELECT COUNT(*) FROM "
                                    + PhysicalNames.quoted(place.get().name()));
            return new Answer(rows, rows, 0, 0, List.of(), List.of());
        }
        var after = to.definition(question.recordTypeId())
                .flatMap(each -> RecordType.of(to, each))
                .flatMap(each -> each.field(question.fieldId()));
        var place = table.placeOf(question.fieldId());
        var column = place.map(each -> each.columns().get(question.fieldId()));
        if (FieldStorage.of(before.get().kind()) == FieldStorage.NOT) {
            return Answer.NONE;
        }
        if (column.isEmpty()) {
            return filled(table, place);
        }
        boolean comparable = after.isPresent() && FieldStorage.of(after.get().kind()) != FieldStorage.NOT;
        var tally = new Tally(
                before.get(),
                comparable ? after.get() : before.get(),
                corrections.getOrDefault(question.fieldId(), Map.of()));
        count(place.get().name(), column.get(), before.get().kind(), tally);
        return tally.answer();
    }

    /** What would become of values that change their place; empty for all others. */
    private Optional<MoveCounts> moved(Binding.BoundTables table, String fieldId, Model to) throws SQLException {
        var is = to.definition(table.recordType().id()).flatMap(each -> RecordType.of(to, each));
        var seen = RelatedFields.seen(table.recordType(), binding.model(), to, SourceProposal.related(decisions));
        var move = is.flatMap(each -> new MovePlan(seen, each, decisions).to(fieldId));
        return move.isEmpty()
                ? Optional.empty()
                : Optional.of(MoveCounts.of(
                        connection,
                        binding,
                        table,
                        is.get(),
                        move.get(),
                        new SiteNameLookup(connection, binding, to, false)));
    }

    /**
     * The values of a field that the target cannot take as they are, the most frequent first; those that are corrected too. It
     * depends on the answers where they come from.
     */
    static UnconvertedValues.CountedValues unconverted(
            Connection connection, Binding binding, Runs.RunTarget target, String fieldId, int most)
            throws SQLException {
        var to = target.model();
        var decisions = target.decisions().stream()
                .map(each -> new Decision(each.fieldId(), each.about(), each.answer(), each.value()))
                .toList();
        var records = new RecordFacts(connection, binding, decisions).unconverted(to, fieldId, most);
        if (records.isPresent()) {
            return records.get();
        }
        var retyped = new RetypeFacts(connection, binding, decisions).unconverted(to, fieldId, most);
        if (retyped.isPresent()) {
            return retyped.get();
        }
        for (var table : binding.tables().values()) {
            var moved = new SiteFacts(connection, binding, decisions).moved(table, fieldId, to);
            if (moved.isPresent()) {
                return moved.get().values(most);
            }
        }
        return new UnconvertedValues(connection, binding).of(to, fieldId, most);
    }

    /** Where a field that is not there yet will stand; empty where its table is not there yet either. */
    private static Optional<Binding.ValueTable> newPlace(Binding.BoundTables table, Question question, Model to) {
        var home = to.definition(question.recordTypeId())
                .flatMap(each -> RecordType.of(to, each))
                .map(each -> each.home(question.fieldId()))
                .map(RecordType.FieldLocation::table)
                .orElse("");
        return home.isEmpty()
                ? Optional.of(table.own())
                : Optional.ofNullable(table.fields().get(home));
    }

    /** Records with and without rows in a table of a field. */
    private Answer filled(Binding.BoundTables table, Optional<Binding.ValueTable> place) throws SQLException {
        long records = Jdbc.number(connection, "SELECT COUNT(*) FROM " + PhysicalNames.quoted(table.name()));
        long filled = place.isEmpty()
                ? 0
                : Jdbc.number(
                        connection,
                        "SELECT COUNT(DISTINCT record_id) FROM "
                                + PhysicalNames.quoted(place.get().name()));
        return new Answer(records, Math.max(records - filled, 0), 0, 0, List.of(), List.of());
    }

    /**
     * Values that the database can see to be taken over as they are never leave it. Equal values are told once, for as many as are remembered: the database would sort all of them to do so, and would take
     * other letters and spaces for the same.
     */
    private void count(String table, String column, Kind kind, Tally tally) throws SQLException {
        var doubtful = SureValues.condition(PhysicalNames.quoted(column), tally.conversion())
                .map(sure -> " WHERE " + sure + " IS NOT TRUE")
                .orElse("");
        var counts = new LinkedHashMap<Object, Long>();
        long[] read = {0};
        long[] empty = {0};
        Jdbc.each(
                connection,
                "SELECT " + PhysicalNames.quoted(column) + " FROM " + PhysicalNames.quoted(table) + doubtful,
                row -> {
                    read[0]++;
                    var value = ColumnValues.read(row, 1, kind);
                    if (value == null) {
                        empty[0]++;
                    } else {
                        counts.merge(value, 1L, Long::sum);
                    }
                    if (counts.size() > REMEMBERED) {
                        counts.forEach(tally::add);
                        counts.clear();
                    }
                });
        counts.forEach(tally::add);
        tally.add(null, empty[0]);
        if (!doubtful.isEmpty()) {
            tally.addSure(Jdbc.number(connection, "SELECT COUNT(*) FROM " + PhysicalNames.quoted(table)) - read[0]);
        }
    }

    /** What was entered since a run, for each step of its undo. {@code to} is the older model. */
    Map<Question, Since> since(List<Step> undo, List<Step> done, Model to) throws SQLException {
        var since = new HashMap<Question, Since>();
        for (var step : undo) {
            var table = binding.table(step.recordTypeId());
            if (table.isEmpty()) {
                continue;
            }
            var name = PhysicalNames.quoted(table.get().name());
            since.put(
                    new Question(step.recordTypeId(), ""),
                    new Since(Jdbc.number(connection, "SELECT COUNT(*) FROM " + name), 0, 0));
            switch (step) {
                case Step.CarryBack carry ->
                    since.put(
                            new Question(carry.recordTypeId(), carry.fieldId()),
                            changed(ReturnCarry.back(binding.model(), to, carry), table.get()));
                case Step.CarryForth carry ->
                    since.put(
                            new Question(carry.recordTypeId(), carry.fieldId()),
                            changed(ReturnCarry.forth(binding.model(), to, carry), table.get()));
                case Step.CarryRecords carry ->
                    since.put(
                            new Question(carry.recordTypeId(), carry.rule().link()),
                            RecordFacts.since(connection, binding, carry, to));
                case Step.CarryRetyped carry ->
                    since.put(
                            new Question(carry.recordTypeId(), UndoPlanner.RETYPED),
                            RetypeFacts.since(connection, binding, carry, to));
                case Step.CarryMoved carry ->
                    since.put(
                            new Question(
                                    carry.recordTypeId(),
                                    carry.moves().getFirst().target()),
                            changed(carry, table.get(), to));
                case Step.HoldOwn(String recordTypeId, String fieldId, String _) -> {
                    var place = table.get().fields().get(fieldId);
                    long rows = place == null
                            ? 0
                            : Jdbc.number(connection, "SELECT COUNT(*) FROM " + PhysicalNames.quoted(place.name()));
                    // of values that changed their place it is known what was entered
                    since.putIfAbsent(new Question(recordTypeId, fieldId), new Since(0, 0, rows));
                }
                case Step.SwitchColumns(String recordTypeId, String _, List<Step.ColumnSwitch> turns) -> {
                    for (var turn : turns) {
                        var place = table.get().placeOf(turn.fieldId());
                        var column = place.map(each -> each.columns().get(turn.fieldId()));
                        var older = to.definition(recordTypeId)
                                .flatMap(each -> RecordType.of(to, each))
                                .flatMap(each -> each.field(turn.fieldId()));
                        if (turn.act() == Step.ColumnAction.HOLD && older.isEmpty() && column.isPresent()) {
                            long entered = entered(
                                    table.get(),
                                    turn.fieldId(),
                                    PhysicalNames.quoted(place.get().name()),
                                    column.get(),
                                    done);
                            since.putIfAbsent(new Question(recordTypeId, turn.fieldId()), new Since(0, 0, entered));
                        }
                    }
                }
                default -> {}
            }
        }
        return since;
    }

    /** Values of a new field that are not what the run filled it with. */
    private long entered(Binding.BoundTables holding, String fieldId, String table, String column, List<Step> done)
            throws SQLException {
        var field = holding.recordType().field(fieldId).orElseThrow();
        var fill = Conversions.fill(field, fillOf(done, holding.recordType().id(), fieldId));
        var sql = "SELECT COUNT(*) FROM " + table + " WHERE " + PhysicalNames.quoted(column) + " IS NOT NULL AND NOT "
                + PhysicalNames.quoted(column) + " <=> ?";
        return Jdbc.number(connection, sql, fill);
    }

    static String fillOf(List<Step> done, String recordTypeId, String fieldId) {
        return done.stream()
                .filter(Step.CopyColumn.class::isInstance)
                .map(Step.CopyColumn.class::cast)
                .filter(copy -> copy.recordTypeId().equals(recordTypeId)
                        && copy.fieldId().equals(fieldId))
                .map(Step.CopyColumn::fill)
                .findFirst()
                .orElse("");
    }

    private Since changed(ReturnCarry carry, Binding.BoundTables table) throws SQLException {
        var place = table.placeOf(carry.fieldId()).orElseThrow();
        var column = PhysicalNames.quoted(place.columns().get(carry.fieldId()));
        var held = PhysicalNames.quoted(PhysicalNames.held(carry.held()));
        long[] records = {0};
        long[] carried = {0};
        long[] lost = {0};
        Jdbc.each(connection, "SELECT " + held + ", " + column + " FROM " + PhysicalNames.quoted(place.name()), row -> {
            records[0]++;
            var before = ColumnValues.read(row, 1, carry.goal().kind());
            var now = ColumnValues.read(row, 2, carry.source().kind());
            if (carry.changed(before, now)) {
                boolean fits = carry.carries(before, now);
                carried[0] += fits ? 1 : 0;
                lost[0] += fits ? 0 : 1;
            }
        });
        return new Since(records[0], carried[0], lost[0]);
    }

    private Since changed(Step.CarryMoved carry, Binding.BoundTables table, Model to) throws SQLException {
        var back = new MovedReturn(
                connection,
                table,
                recordType(to, carry.recordTypeId()),
                carry,
                new SiteNameLookup(connection, binding, to, false));
        var counts = new EnumMap<MovedReturn.Outcome, Long>(MovedReturn.Outcome.class);
        for (long after = 0; ; ) {
            var some = back.after(connection, after, MOVED);
            if (some.isEmpty()) {
                return new Since(
                        counts.values().stream().mapToLong(Long::longValue).sum(),
                        counts.getOrDefault(MovedReturn.Outcome.CARRIED, 0L),
                        counts.getOrDefault(MovedReturn.Outcome.LOST, 0L));
            }
            back.outcomes(connection, some).values().forEach(each -> counts.merge(each, 1L, Long::sum));
            after = some.getLast().id();
        }
    }

    static RecordType recordType(Model model, String recordTypeId) {
        return model.definition(recordTypeId)
                .flatMap(each -> RecordType.of(model, each))
                .orElseThrow(() -> new IllegalStateException("No definition " + recordTypeId));
    }

    static Field field(Model model, String recordTypeId, String fieldId) {
        return recordType(model, recordTypeId)
                .field(fieldId)
                .orElseThrow(() -> new IllegalStateException("No field " + fieldId + " in " + recordTypeId));
    }

    /** The table that holds a field's column: that of the field it is a value of, of its rows, or of the records. */
    static String tableId(RecordType recordType, String fieldId) {
        var field = recordType
                .field(fieldId)
                .orElseThrow(() -> new IllegalStateException("No field " + fieldId + " in " + recordType.key()));
        return FieldStorage.of(field.kind()) == FieldStorage.TABLE
                ? fieldId
                : recordType.home(fieldId).table();
    }

    /** Fills in the form that conversions take. */
    static final class Conversions {
        private Conversions() {}

        static Object fill(Field field, String text) {
            return text.isEmpty() ? null : Values.typed(field, text).value().orElse(null);
        }
    }
}
