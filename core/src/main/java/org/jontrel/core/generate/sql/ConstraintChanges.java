package org.jontrel.core.generate.sql;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;

/** What rows are held to, taken away before anything else changes and put back afterwards. */
final class ConstraintChanges {
    private final SqlDialect dialect;
    private final SchemaMatch match;
    private final SqlSchema after;

    ConstraintChanges(SqlDialect dialect, SchemaMatch match, SqlSchema after) {
        this.dialect = dialect;
        this.match = match;
        this.after = after;
    }

    /** Those that do not stay as they are: first what leads to other rows, since that needs the others. */
    List<String> dropped() {
        var statements = new ArrayList<String>();
        for (var table : match.gone()) {
            table.constraints(SqlConstraint.ForeignKey.class)
                    .forEach(each -> statements.add(dialect.drop(table, each)));
        }
        for (var each : match.all()) {
            each.from()
                    .constraints(SqlConstraint.ForeignKey.class)
                    .filter(constraint -> !match.stays(each, constraint))
                    .forEach(constraint -> statements.add(dialect.drop(each.from(), constraint)));
        }
        for (var each : match.all()) {
            each.from().constraints().stream()
                    .filter(constraint ->
                            !(constraint instanceof SqlConstraint.ForeignKey) && !match.stays(each, constraint))
                    .forEach(constraint -> statements.add(dialect.drop(each.from(), constraint)));
        }
        return statements;
    }

    /** Those that are not there yet: last what leads to other rows. */
    List<String> added() {
        var statements = new ArrayList<String>();
        var references = new ArrayList<String>();
        for (var table : after.tables()) {
            var old = match.of(table.mark());
            var there = new HashSet<SqlConstraint>();
            old.ifPresent(each -> each.from().constraints().stream()
                    .filter(constraint -> match.stays(each, constraint))
                    .forEach(there::add));
            for (var constraint : table.constraints()) {
                boolean isMade = old.isEmpty()
                        && (constraint instanceof SqlConstraint.CheckConstraint
                                || constraint instanceof SqlConstraint.UniqueConstraint);
                if (isMade || there.contains(constraint)) {
                    continue;
                }
                (constraint instanceof SqlConstraint.ForeignKey ? references : statements)
                        .add(dialect.add(table, constraint));
            }
        }
        statements.addAll(references);
        return statements;
    }
}
