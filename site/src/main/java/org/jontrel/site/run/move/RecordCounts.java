package org.jontrel.site.run.move;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import org.jontrel.core.code.Decision;
import org.jontrel.core.model.condition.RecordState;
import org.jontrel.core.move.AlikeRows;
import org.jontrel.core.move.Move;
import org.jontrel.core.move.MoveLosses;
import org.jontrel.core.move.MovedValues;
import org.jontrel.core.move.NameLookup;
import org.jontrel.core.move.RecordMove;
import org.jontrel.core.move.RecordProposal;
import org.jontrel.core.move.RowView;
import org.jontrel.core.plan.MovePlan;
import org.jontrel.core.plan.fact.Answer;
import org.jontrel.core.plan.fact.Breach;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.site.record.read.RecordLoader;
import org.jontrel.site.table.Binding;

/** What would become of rows that become records, or of records that become rows: counted, without writing anything. */
public final class RecordCounts {
    private static final int CHUNK = 2_000;
    private static final int REMEMBERED = 200_000;
    private final Map<String, MoveCounts> fields = new LinkedHashMap<>();
    private final Set<Long> said = new HashSet<>();
    private final Set<Long> titles = new HashSet<>();
    private long alike;
    private long twice;
    private long records;
    private long hidden;
    private long tooMany;

    private RecordCounts() {}

    /**
     * Looks through all of them.
     *
     * @param is the content type that is made; where rows are made it does not matter
     * @param most how many of them one may lead to; {@code null} for any number
     * @param decisions some are about what is counted
     */
    public static RecordCounts of(
            Connection connection,
            Binding binding,
            RecordProposal proposal,
            RecordType is,
            Integer most,
            List<Decision> decisions,
            NameLookup references)
            throws SQLException {
        var rule = proposal.rule();
        var counts = new RecordCounts();
        var view = new RowView(proposal.around(), rule);
        var table = binding.table(proposal.was().id()).orElseThrow();
        if (rule.toRows()) {
            counts.watch(proposal.was(), view.type(), rule, named(rule, decisions), references);
            each(connection, new RecordLoader(table), record -> {
                if (!record.deleted()) {
                    counts.add(record.values());
                    counts.hidden += record.state() == RecordState.PUBLISHED ? 0 : 1;
                }
            });
        } else {
            counts.watch(view.type(), is, rule, decisions, references);
            // somebody who has decided otherwise need not know
            boolean asks = rule.canUnite() && !declines(is.id(), decisions);
            var moved =
                    asks ? Optional.of(moved(view, is, rule, decisions, references)) : Optional.<MovedValues>empty();
            var marks = new AlikeRows(is, rule);
            var titles = new AlikeRows(is, rule.titled(""));
            each(connection, new RecordLoader(table, view.read()), record -> {
                var rows = view.rows(record.id(), record.values());
                counts.rows(rows, most);
                moved.ifPresent(each -> rows.forEach(row -> counts.alike(marks, titles, each.apply(row.values()))));
            });
        }
        return counts;
    }

    private static boolean declines(String recordTypeId, List<Decision> decisions) {
        return decisions.stream()
                .anyMatch(each -> each.fieldId().equals(recordTypeId)
                        && each.about() == Decision.Topic.RECORDS
                        && each.answer() != Decision.Action.UNITE);
    }

    private static MovedValues moved(
            RowView view, RecordType is, RecordMove rule, List<Decision> decisions, NameLookup references) {
        var plan = MovePlan.ofRecords(view.type(), is, decisions);
        var moves =
                is.byId().keySet().stream().flatMap(id -> plan.to(id).stream()).toList();
        return RecordMaker.made(view, is, rule.moving(moves), references, MoveLosses.UNTOLD);
    }

    /** Half of a mark is enough to tell rows apart. Of very many only the first ones are remembered. */
    private void alike(AlikeRows marks, AlikeRows titled, Map<String, Object> values) {
        if (isAgain(said, marks.mark(values))) {
            alike++;
        } else if (isAgain(titles, titled.mark(Map.of("part_title", String.valueOf(values.get("part_title")))))) {
            twice++;
        }
    }

    private static boolean isAgain(Set<Long> before, String mark) {
        var half = half(mark);
        boolean again = before.contains(half);
        if (!again && before.size() < REMEMBERED) {
            before.add(half);
        }
        return again;
    }

    private static long half(String mark) {
        return Long.parseUnsignedLong(mark.substring(0, 16), 16);
    }

    /** Answers about rows, said of the records that they come from. */
    private static List<Decision> named(RecordMove rule, List<Decision> decisions) {
        return decisions.stream()
                .map(each -> each.about(rule.matched().getOrDefault(each.fieldId(), each.fieldId())))
                .toList();
    }

    private void watch(
            RecordType was, RecordType is, RecordMove rule, List<Decision> decisions, NameLookup references) {
        var plan = MovePlan.ofRecords(was, is, decisions);
        for (var field : is.byId().values()) {
            title(was, is, rule, field.id())
                    .or(() -> plan.to(field.id()))
                    .ifPresent(move -> fields.put(field.id(), new MoveCounts(was, is, move, references)));
        }
    }

    private static Optional<Move> title(RecordType was, RecordType is, RecordMove rule, String fieldId) {
        return rule.toRows() || !fieldId.equals("part_title") ? Optional.empty() : RowView.titles(rule, was);
    }

    private interface Records extends Consumer<org.jontrel.site.record.read.StoredRecord> {}

    private static void each(Connection connection, RecordLoader loader, Records work) throws SQLException {
        for (long after = 0; ; ) {
            var some = loader.after(connection, after, CHUNK);
            if (some.isEmpty()) {
                return;
            }
            some.forEach(work);
            after = some.getLast().id();
        }
    }

    /** @param most of them that one may lead to; {@code null} for any number */
    private void rows(List<RowView.SeenRow> rows, Integer most) {
        rows.forEach(row -> add(row.values()));
        tooMany += most != null && rows.size() > most ? 1 : 0;
    }

    private void add(Map<String, Object> values) {
        records++;
        fields.values().forEach(each -> each.add(values));
    }

    /** How many there are; by field, what becomes of its values. An empty id is for the records themselves. */
    public Map<String, Answer> answers() {
        var answers = new HashMap<String, Answer>();
        answers.put("", new Answer(records, 0, 0, 0, List.of(), List.of()).breaking(breaches()));
        fields.forEach((field, counts) -> answers.put(field, counts.answer()));
        return answers;
    }

    private Map<Breach, Long> breaches() {
        var breaches = new EnumMap<Breach, Long>(Breach.class);
        if (hidden > 0) {
            breaches.put(Breach.HIDDEN, hidden);
        }
        if (alike > 0) {
            breaches.put(Breach.ALIKE, alike);
        }
        if (twice > 0) {
            breaches.put(Breach.TWICE, twice);
        }
        return breaches;
    }

    /** What there is to say of the relation that leads to records. */
    public Answer ofLink() {
        return Answer.NONE.breaking(tooMany > 0 ? Map.of(Breach.TOO_MANY, tooMany) : Map.of());
    }

    /** The counts of one field. */
    public Optional<MoveCounts> field(String fieldId) {
        return Optional.ofNullable(fields.get(fieldId));
    }
}
