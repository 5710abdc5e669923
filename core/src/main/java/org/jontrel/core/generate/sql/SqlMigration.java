package org.jontrel.core.generate.sql;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** The statements that bring a database from one schema to another, with its rows. */
final class SqlMigration {
    private final SqlDialect dialect;
    private final SqlSchema before;
    private final SqlSchema after;
    private final SchemaMatch match;
    private final HeldInserts held;
    private final SchemaMatch.NameSource free = new SchemaMatch.NameSource();
    private final List<String> statements = new ArrayList<>();
    private final Map<SqlTable, String> goneTables = new LinkedHashMap<>();
    /** Names that columns which go have meanwhile, by the marks of their tables, then by column. */
    private final Map<String, Map<SqlColumn, String>> goneColumns = new HashMap<>();

    SqlMigration(SqlDialect dialect, SqlSchema before, SqlSchema after, String release) {
        this.dialect = dialect;
        this.before = before;
        this.after = after;
        match = new SchemaMatch(before, after);
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
        statements.addAll(new Guards(dialect).statements(match));
        before.views().forEach(each -> statements.add("DROP VIEW " + dialect.quoted(each.name())));
        dropConstraints();
        rename();
        for (var table : match.added()) {
            statements.add(dialect.create(table));
            statements.addAll(dialect.comments(table));
        }
        match.all().forEach(this::addColumns);
        match.all().forEach(this::carryWithin);
        match.all().forEach(this::changeColumns);
        var moved = new CarriedOver(dialect, match, goneTables, goneColumns, held);
        statements.addAll(moved.statements());
        match.all().forEach(each -> dropColumns(each, moved.columns()));
        goneTables.forEach((table, name) -> {
            if (!moved.tables().contains(table)) {
                table.values().forEach(each -> statements.add(held.keep(table, name, each, each.name(), "")));
            }
        });
        goneTables.values().forEach(name -> statements.add("DROP TABLE " + dialect.quoted(name)));
        addConstraints();
        for (var each : match.all()) {
            if (!each.from().comment().equals(each.to().comment())) {
                statements.add(dialect.tableComment(each.to()));
            }
        }
        after.views().forEach(each -> statements.add(dialect.create(each)));
    }

    private void dropConstraints() {
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
    }

    private void rename() {
        for (var table : match.gone()) {
            // what belongs to a table would keep its name from a new one
            table.constraints().stream()
                    .filter(each -> each instanceof SqlConstraint.IndexConstraint
                            || each instanceof SqlConstraint.UniqueConstraint)
                    .forEach(each -> statements.add(dialect.drop(table, each)));
            var name = free.next();
            goneTables.put(table, name);
            statements.add(dialect.rename(table.name(), name));
            statements.addAll(dialect.renameKey(name, table.keyName(), name + "$key"));
        }
        for (var each : match.all()) {
            var gone = new LinkedHashMap<SqlColumn, String>();
            for (var column : each.gone()) {
                var name = free.next();
                gone.put(column, name);
                statements.add(dialect.renameColumn(each.from().name(), column.name(), name));
            }
            goneColumns.put(each.to().mark(), gone);
            SchemaMatch.renames(each.newNames(), free)
                    .forEach(names ->
                            statements.add(dialect.renameColumn(each.from().name(), names.getKey(), names.getValue())));
        }
        var names = new LinkedHashMap<String, String>();
        match.all().forEach(each -> names.put(each.from().name(), each.to().name()));
        SchemaMatch.renames(names, free)
                .forEach(each -> statements.add(dialect.rename(each.getKey(), each.getValue())));
        var keys = new LinkedHashMap<String, String>();
        var tables = new HashMap<String, String>();
        for (var each : match.all()) {
            if (!each.to().keyName().isEmpty()) {
                keys.put(each.from().keyName(), each.to().keyName());
                tables.put(each.from().keyName(), each.to().name());
            }
        }
        for (var each : SchemaMatch.renames(keys, free)) {
            var table = tables.get(each.getKey());
            tables.put(each.getValue(), table);
            statements.addAll(dialect.renameKey(table, each.getKey(), each.getValue()));
        }
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
        goneColumns.get(each.to().mark()).forEach((column, name) -> {
            if (!moved.contains(column)) {
                statements.add(held.keep(each.from(), each.to().name(), column, name, ""));
            }
        });
        goneColumns
                .get(each.to().mark())
                .values()
                .forEach(name -> statements.add("ALTER TABLE %s DROP COLUMN %s"
                        .formatted(dialect.quoted(each.to().name()), dialect.quoted(name))));
    }

    private void addConstraints() {
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
    }
}
