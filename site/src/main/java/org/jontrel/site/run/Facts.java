package org.jontrel.site.run;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.core.plan.Answer;
import org.jontrel.core.plan.Question;
import org.jontrel.core.plan.Step;
import org.jontrel.core.plan.Tally;
import org.jontrel.core.plan.UndoPlanner.Since;
import org.jontrel.core.value.Conversion;
import org.jontrel.core.value.Values;
import org.jontrel.site.table.Binding;
import org.jontrel.site.table.Cells;
import org.jontrel.site.table.Names;

/** Answers a plan's questions from the site's real records. */
final class Facts {
    private final Connection connection;
    private final Binding binding;

    Facts(Connection connection, Binding binding) {
        this.connection = connection;
        this.binding = binding;
    }

    Map<Question, Answer> answers(List<Question> questions, Model to) throws SQLException {
        var answers = new HashMap<Question, Answer>();
        for (var question : questions) {
            answers.put(question, answer(question, to));
        }
        return answers;
    }

    private Answer answer(Question question, Model to) throws SQLException {
        var table = binding.table(question.holderId());
        if (table.isEmpty()) {
            return Answer.NONE;
        }
        var before = binding.model().type(question.holderId()).flatMap(type -> type.field(question.fieldId()));
        var column = table.get().columns().get(question.fieldId());
        if (before.isEmpty() || column == null) {
            long records =
                    count("SELECT COUNT(*) FROM " + Names.quoted(table.get().name()));
            return new Answer(records, records, 0, 0, List.of(), List.of());
        }
        var after = to.type(question.holderId()).flatMap(type -> type.field(question.fieldId()));
        var tally = new Tally(before.get(), after.orElse(before.get()));
        var quoted = Names.quoted(column);
        var group = isText(before.get().kind()) ? quoted + " COLLATE utf8mb4_bin" : quoted;
        var sql = "SELECT " + group + ", COUNT(*) FROM "
                + Names.quoted(table.get().name()) + " GROUP BY 1 ORDER BY 1";
        try (var statement = connection.prepareStatement(sql)) {
            statement.setFetchSize(1_000);
            try (var rows = statement.executeQuery()) {
                while (rows.next()) {
                    tally.add(Cells.fromColumn(before.get().kind(), rows.getObject(1)), rows.getLong(2));
                }
            }
        }
        return tally.answer();
    }

    private static boolean isText(Kind kind) {
        return kind instanceof Kind.Text || kind instanceof Kind.LongText;
    }

    /** What was entered since a run, for each step of its undo. {@code to} is the older model. */
    Map<Question, Since> since(List<Step> undo, List<Step> done, Model to) throws SQLException {
        var since = new HashMap<Question, Since>();
        for (var step : undo) {
            var table = binding.table(step.holderId());
            if (table.isEmpty()) {
                continue;
            }
            var name = Names.quoted(table.get().name());
            since.put(new Question(step.holderId(), ""), new Since(count("SELECT COUNT(*) FROM " + name), 0, 0));
            switch (step) {
                case Step.CarryBack carry ->
                    since.put(new Question(carry.holderId(), carry.fieldId()), changed(carry, table.get(), to));
                case Step.SwitchColumns(String holderId, List<Step.Turn> turns) -> {
                    for (var turn : turns) {
                        var column = table.get().columns().get(turn.fieldId());
                        var older = to.type(holderId).flatMap(type -> type.field(turn.fieldId()));
                        if (turn.act() == Step.Act.HOLD && older.isEmpty() && column != null) {
                            long entered = entered(holderId, turn.fieldId(), name, column, done);
                            since.put(new Question(holderId, turn.fieldId()), new Since(0, 0, entered));
                        }
                    }
                }
                default -> {}
            }
        }
        return since;
    }

    /** Values of a new field that are not what the run filled it with. */
    private long entered(String holderId, String fieldId, String table, String column, List<Step> done)
            throws SQLException {
        var field = binding.model()
                .type(holderId)
                .flatMap(type -> type.field(fieldId))
                .orElseThrow();
        var fill = Conversions.fill(field, fillOf(done, holderId, fieldId));
        var sql = "SELECT COUNT(*) FROM " + table + " WHERE " + Names.quoted(column) + " IS NOT NULL AND NOT "
                + Names.quoted(column) + " <=> ?";
        try (var statement = connection.prepareStatement(sql)) {
            statement.setObject(1, Cells.toColumn(fill));
            try (var rows = statement.executeQuery()) {
                rows.next();
                return rows.getLong(1);
            }
        }
    }

    static String fillOf(List<Step> done, String holderId, String fieldId) {
        return done.stream()
                .filter(Step.CopyColumn.class::isInstance)
                .map(Step.CopyColumn.class::cast)
                .filter(copy -> copy.holderId().equals(holderId) && copy.fieldId().equals(fieldId))
                .map(Step.CopyColumn::fill)
                .findFirst()
                .orElse("");
    }

    private Since changed(Step.CarryBack carry, Binding.Table table, Model to) throws SQLException {
        var older = field(to, carry.holderId(), carry.fieldId());
        var newer = field(binding.model(), carry.holderId(), carry.fieldId());
        var conversion = new Conversion(older, newer, Conversions.fill(newer, carry.fill()));
        var column = Names.quoted(table.columns().get(carry.fieldId()));
        var held = Names.quoted(Names.held(carry.held()));
        long records = 0;
        long carried = 0;
        long lost = 0;
        try (var statement =
                connection.prepareStatement("SELECT " + held + ", " + column + " FROM " + Names.quoted(table.name()))) {
            statement.setFetchSize(1_000);
            try (var rows = statement.executeQuery()) {
                while (rows.next()) {
                    records++;
                    var before = Cells.fromColumn(older.kind(), rows.getObject(1));
                    var now = Cells.fromColumn(newer.kind(), rows.getObject(2));
                    if (!conversion.untouched(before, now)) {
                        boolean fits = now == null || conversion.back().takes(now);
                        carried += fits ? 1 : 0;
                        lost += fits ? 0 : 1;
                    }
                }
            }
        }
        return new Since(records, carried, lost);
    }

    static Field field(Model model, String holderId, String fieldId) {
        return model.type(holderId)
                .flatMap(type -> type.field(fieldId))
                .orElseThrow(() -> new IllegalStateException("No field " + fieldId + " in type " + holderId));
    }

    private long count(String sql) throws SQLException {
        try (var statement = connection.createStatement();
                var rows = statement.executeQuery(sql)) {
            rows.next();
            return rows.getLong(1);
        }
    }

    /** Fills in the form that conversions take. */
    static final class Conversions {
        private Conversions() {}

        static Object fill(Field field, String text) {
            return text.isEmpty() ? null : Values.parse(field, text).value().orElse(null);
        }
    }
}
