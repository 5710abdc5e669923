package org.jontrel.core.generate.sql;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/** Values of fields that held one and hold several from now on, and the other way round. */
final class CarriedOver {
    private final SqlDialect dialect;
    private final SchemaMatch match;
    private final HeldInserts held;
    private final List<String> statements = new ArrayList<>();
    private final Set<SqlColumn> columns = new HashSet<>();
    private final Set<SqlTable> tables = new HashSet<>();

    /** @param names of what goes, meanwhile */
    CarriedOver(SqlDialect dialect, SchemaMatch match, NameChanges names, HeldInserts held) {
        this.dialect = dialect;
        this.match = match;
        this.held = held;
        for (var rows : match.added()) {
            match.of(rows.above()).ifPresent(of -> toSeveral(of, rows, names.goneColumns(rows.above())));
        }
        names.goneTables().forEach((rows, name) -> match.of(rows.above()).ifPresent(of -> toOne(of, rows, name)));
    }

    List<String> statements() {
        return List.copyOf(statements);
    }

    /** Columns that have come to tables of their own. */
    Set<SqlColumn> columns() {
        return columns;
    }

    /** Tables that have become columns. */
    Set<SqlTable> tables() {
        return tables;
    }

    /** The columns of a field in two tables, each with the one that it becomes; empty where they do not fit. */
    private static Optional<Map<SqlColumn, SqlColumn>> parts(SqlTable from, SqlTable to, String field) {
        var old =
                from.columns().stream().filter(each -> each.of().equals(field)).toList();
        var now = to.columns().stream().filter(each -> each.of().equals(field)).toList();
        boolean fit = !old.isEmpty()
                && old.size() == now.size()
                && old.stream()
                        .allMatch(each -> to.column(each.mark())
                                .filter(other -> other.type() == each.type())
                                .isPresent());
        return fit
                ? Optional.of(old.stream()
                        .collect(Collectors.toMap(
                                each -> each,
                                each -> to.column(each.mark()).orElseThrow(),
                                (a, b) -> a,
                                java.util.LinkedHashMap::new)))
                : Optional.empty();
    }

    private static String field(SqlTable rows) {
        return rows.mark().substring(rows.mark().indexOf('/') + 1);
    }

    private void toSeveral(SchemaMatch.TableMatch of, SqlTable rows, Map<SqlColumn, String> gone) {
        parts(of.from(), rows, field(rows))
                .filter(parts -> gone.keySet().containsAll(parts.keySet()))
                .ifPresent(parts -> {
                    var conditions = new ArrayList<String>();
                    parts.keySet().forEach(each -> conditions.add(dialect.quoted(gone.get(each)) + " IS NOT NULL"));
                    var values = new ArrayList<String>();
                    parts.forEach((was, is) -> {
                        var source = dialect.quoted(gone.get(was));
                        var carry = new Carry(dialect, of.from(), was, rows, is);
                        values.add(carry.value(source));
                        carry.lost(source).ifPresent(lost -> {
                            conditions.add("NOT (" + lost + ")");
                            parts.keySet()
                                    .forEach(each -> statements.add(
                                            held.keep(of.from(), of.to().name(), each, gone.get(each), lost)));
                        });
                    });
                    statements.add("INSERT INTO %s (%s, %s) SELECT %s, 1, %s FROM %s WHERE %s"
                            .formatted(
                                    dialect.quoted(rows.name()),
                                    dialect.quoted(rows.key()),
                                    dialect.quoted(parts.values().stream()
                                            .map(SqlColumn::name)
                                            .toList()),
                                    dialect.quoted(of.to().key()),
                                    String.join(", ", values),
                                    dialect.quoted(of.to().name()),
                                    String.join(" AND ", conditions)));
                    columns.addAll(parts.keySet());
                });
    }

    /** The first of them stays, others are held. */
    private void toOne(SchemaMatch.TableMatch of, SqlTable rows, String name) {
        parts(rows, of.to(), field(rows))
                .filter(parts -> of.added().containsAll(parts.values()))
                .ifPresent(parts -> {
                    var conditions = new ArrayList<String>();
                    var kept = new ArrayList<String>();
                    parts.forEach((was, is) -> {
                        var source = dialect.quoted(was.name());
                        new Carry(dialect, rows, was, of.to(), is).lost(source).ifPresent(lost -> {
                            kept.add(lost);
                            conditions.add("NOT (" + lost + ")");
                        });
                    });
                    // those that have no place are none of those of which one is the first
                    for (var lost : kept) {
                        parts.keySet().forEach(each -> statements.add(held.keep(rows, name, each, each.name(), lost)));
                        statements.add("DELETE FROM %s WHERE %s".formatted(dialect.quoted(name), lost));
                    }
                    var place = dialect.quoted(rows.key().getLast());
                    var later = "%s > (SELECT MIN(m.%s) FROM %s m WHERE %s)"
                            .formatted(
                                    place,
                                    place,
                                    dialect.quoted(name),
                                    together(rows, rows, "m.", dialect.quoted(name) + "."));
                    parts.keySet().forEach(each -> statements.add(held.keep(rows, name, each, each.name(), later)));
                    parts.forEach((was, is) -> {
                        var carry = new Carry(dialect, rows, was, of.to(), is);
                        statements.add(
                                "UPDATE %1$s SET %2$s = (SELECT %3$s FROM %4$s r WHERE %5$s AND r.%6$s = (SELECT MIN(m.%6$s) FROM %4$s m WHERE %7$s))"
                                        .formatted(
                                                dialect.quoted(of.to().name()),
                                                dialect.quoted(is.name()),
                                                carry.value("r." + dialect.quoted(was.name())),
                                                dialect.quoted(name),
                                                together(
                                                        rows,
                                                        of.to(),
                                                        "r.",
                                                        dialect.quoted(of.to().name()) + "."),
                                                place,
                                                together(rows, rows, "m.", "r.")));
                    });
                    tables.add(rows);
                });
    }

    /** Rows of the same record: those of two tables whose keys say the same, as far as both go. */
    private String together(SqlTable rows, SqlTable other, String prefix, String otherPrefix) {
        int length = rows.key().size() - 1;
        var conditions = new ArrayList<String>();
        for (int i = 0; i < length; i++) {
            conditions.add(prefix + dialect.quoted(rows.key().get(i)) + " = " + otherPrefix
                    + dialect.quoted(other.key().get(i)));
        }
        return String.join(" AND ", conditions);
    }
}
