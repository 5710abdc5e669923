package org.jontrel.core.generate.sql;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;

/** The statements that bring a database from one schema to another, with its rows. */
final class SqlMigration {
    /** Begins a line that says what the statements below it are for. */
    static final String SECTION = "-- ";

    private final SqlDialect dialect;
    private final SqlSchema before;
    private final SqlSchema after;
    private final SchemaMatch match;
    private final HeldInserts held;
    private final NameChanges names;
    private final ConstraintChanges constraints;
    private final List<String> statements = new ArrayList<>();

    SqlMigration(SqlDialect dialect, SqlSchema before, SqlSchema after, String release) {
        this.dialect = dialect;
        this.before = before;
        this.after = after;
        match = new SchemaMatch(before, after);
        names = new NameChanges(dialect, match);
        constraints = new ConstraintChanges(dialect, match, after);
        var heldTable = after.table(SqlTables.HELD).orElseThrow().name();
        held = new HeldInserts(dialect, heldTable, release);
        write();
    }

    List<String> statements() {
        return List.copyOf(statements);
    }

    /** What stands in the table of held values afterwards, in sentences. */
    List<String> notes() {
        return held.notes();
    }

    private void write() {
        section(
                "Values that break a new rule stop this before anything has changed.",
                () -> statements.addAll(new Guards(dialect).statements(match)));
        section("What is made anew below.", () -> {
            before.views().forEach(each -> statements.add("DROP VIEW " + dialect.quoted(each.name())));
            statements.addAll(constraints.dropped());
        });
        section("Names.", () -> statements.addAll(names.statements()));
        section("New tables and columns.", () -> {
            for (var table : match.added()) {
                statements.add(dialect.create(table));
                statements.addAll(dialect.comments(table));
            }
            match.all().forEach(this::addColumns);
        });
        section("Values: what has no place is held, words get their new keys, types change.", () -> {
            match.all().forEach(this::carryWithin);
            match.all().forEach(this::changeColumns);
        });
        var moved = new CarriedOver(dialect, match, names, held);
        section(
                "One value becomes the first of several, and the first of several the one.",
                () -> statements.addAll(moved.statements()));
        section("What goes, once its values are held.", () -> drop(moved));
        section("Rules, and what leads where.", () -> statements.addAll(constraints.added()));
        section("Comments and views.", () -> {
            for (var each : match.all()) {
                if (!each.from().comment().equals(each.to().comment())) {
                    statements.add(dialect.tableComment(each.to()));
                }
            }
            after.views().forEach(each -> statements.add(dialect.create(each)));
        });
    }

    /** @param about what its statements are for; left out where there are none */
    private void section(String about, Runnable writes) {
        int at = statements.size();
        writes.run();
        if (statements.size() > at) {
            statements.add(at, SECTION + about);
        }
    }

    private void drop(CarriedOver moved) {
        match.all().forEach(each -> dropColumns(each, moved.columns()));
        names.goneTables().forEach((table, name) -> {
            if (!moved.tables().contains(table)) {
                table.values().forEach(each -> statements.add(held.keep(table, name, each, each.name(), "")));
            }
        });
        names.goneTables().values().forEach(name -> statements.add("DROP TABLE " + dialect.quoted(name)));
    }

    private void addColumns(SchemaMatch.TableMatch each) {
        for (var column : each.added()) {
            statements.add("ALTER TABLE %s ADD COLUMN %s"
                    .formatted(dialect.quoted(each.to().name()), dialect.column(column.optional())));
            if (Carry.isFilled(each, column)) {
                var beside = each.to().column(column.of()).orElseThrow();
                statements.add("UPDATE %s SET %s = %s WHERE %s IS NOT NULL"
                        .formatted(
                                dialect.quoted(each.to().name()),
                                dialect.quoted(column.name()),
                                dialect.literal(Carry.typeOf(each.from(), each.to(), beside)
                                        .orElseThrow()),
                                dialect.quoted(beside.name())));
            }
            statements.addAll(dialect.change(
                    each.to(), new SqlColumn(column.mark(), column.name(), column.type(), false, ""), column));
        }
    }

    /** Values that stay in their column: without those that have no place any more, and with new keys of options and types. */
    private void carryWithin(SchemaMatch.TableMatch each) {
        var table = dialect.quoted(each.to().name());
        each.columns().forEach((was, is) -> {
            if (each.to().key().contains(is.name())) {
                return;
            }
            var carry = new Carry(dialect, each.from(), was, each.to(), is);
            var name = dialect.quoted(is.name());
            carry.lost(name).ifPresent(lost -> {
                var group = each.to().columns().stream()
                        .filter(other -> other.of().equals(is.of()))
                        .toList();
                for (var part : group) {
                    each.was(part)
                            .ifPresent(old -> statements.add(
                                    held.keep(each.from(), each.to().name(), old, part.name(), lost)));
                }
                statements.add(
                        is.required()
                                ? "DELETE FROM %s WHERE %s".formatted(table, lost)
                                : "UPDATE %s SET %s WHERE %s".formatted(table, nothing(group), lost));
            });
            if (carry.renames()) {
                statements.add(
                        "UPDATE %s SET %s = %s WHERE %s IS NOT NULL".formatted(table, name, carry.value(name), name));
            }
        });
    }

    private String nothing(List<SqlColumn> columns) {
        return String.join(
                ", ",
                columns.stream()
                        .map(each -> dialect.quoted(each.name()) + " = NULL")
                        .toList());
    }

    private void changeColumns(SchemaMatch.TableMatch each) {
        each.columns().forEach((was, is) -> {
            if (was.type() != is.type()
                    || was.required() != is.required()
                    || !was.comment().equals(is.comment())) {
                statements.addAll(dialect.change(each.to(), was, is));
            }
        });
    }

    private void dropColumns(SchemaMatch.TableMatch each, Set<SqlColumn> moved) {
        names.goneColumns(each.to().mark()).forEach((column, name) -> {
            if (!moved.contains(column)) {
                statements.add(held.keep(each.from(), each.to().name(), column, name, ""));
            }
        });
        names.goneColumns(each.to().mark())
                .values()
                .forEach(name -> statements.add("ALTER TABLE %s DROP COLUMN %s"
                        .formatted(dialect.quoted(each.to().name()), dialect.quoted(name))));
    }
}
