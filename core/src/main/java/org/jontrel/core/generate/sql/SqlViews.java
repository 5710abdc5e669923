package org.jontrel.core.generate.sql;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jontrel.core.model.Model;

/** Views of what stands alone, with the names of what it leads to. */
final class SqlViews {
    private static final String NAME = "part_title";
    private final Model model;
    private final List<SqlTable> tables;
    private final Map<String, String> names;

    /** @param names of views, by the marks of their tables */
    SqlViews(Model model, List<SqlTable> tables, Map<String, String> names) {
        this.model = model;
        this.tables = tables;
        this.names = names;
    }

    List<SqlView> all() {
        return tables.stream()
                .filter(each ->
                        each.above().isEmpty() && model.definition(each.mark()).isPresent())
                .map(this::view)
                .filter(each -> !each.joined().isEmpty())
                .toList();
    }

    private SqlView view(SqlTable table) {
        var columnNames = new SqlNames(Set.of());
        table.columns().forEach(each -> columnNames.take(each.name()));
        var joined = new ArrayList<SqlView.ViewColumn>();
        for (var column : table.columns()) {
            var targets = targets(table, column);
            if (!targets.isEmpty()) {
                joined.add(new SqlView.ViewColumn.OneName(
                        columnNames.take(stem(column.name()) + "_name"),
                        column.name(),
                        typeColumn(table, column),
                        targets));
            }
        }
        for (var rows : tables) {
            if (rows.above().equals(table.mark()) && rows.holdsValuesOfField()) {
                several(table, rows, columnNames).ifPresent(joined::add);
            }
        }
        return new SqlView(names.get(table.mark()), table, joined);
    }

    private Optional<SqlView.ViewColumn> several(SqlTable table, SqlTable rows, SqlNames columnNames) {
        var wanted = rows.name().startsWith(table.name() + "_")
                ? rows.name().substring(table.name().length() + 1)
                : rows.name();
        var words = rows.values().filter(each -> each.name().equals("value")).findFirst();
        if (words.isPresent()) {
            return Optional.of(new SqlView.ViewColumn.ManyWords(columnNames.take(wanted), rows, "value"));
        }
        return rows.values()
                .filter(each ->
                        each.type() == SqlType.ID && !targets(rows, each).isEmpty())
                .findFirst()
                .map(each -> new SqlView.ViewColumn.ManyNames(
                        columnNames.take(wanted), rows, each.name(), typeColumn(rows, each), targets(rows, each)));
    }

    private static String typeColumn(SqlTable table, SqlColumn column) {
        return table.column(column.mark() + SqlColumn.TYPE).map(SqlColumn::name).orElse("");
    }

    private static String stem(String name) {
        return name.endsWith("_id") ? name.substring(0, name.length() - 3) : name;
    }

    /** Where names of what a column leads to stand; none where it leads nowhere, or to what has no names. */
    private List<SqlView.NamedTarget> targets(SqlTable table, SqlColumn column) {
        if (column.type() != SqlType.ID || table.key().contains(column.name())) {
            return List.of();
        }
        var words = new HashMap<String, String>();
        table.constraints(SqlConstraint.CheckConstraint.class)
                .map(SqlConstraint.CheckConstraint::rule)
                .filter(rule ->
                        rule instanceof SqlRule.OneOf oneOf && oneOf.column().equals(typeColumn(table, column)))
                .forEach(rule -> words.putAll(((SqlRule.OneOf) rule).words()));
        table.constraints(SqlConstraint.ForeignKey.class)
                .filter(each -> each.columns().equals(List.of(column.name())))
                .forEach(each -> words.put(each.target(), ""));
        return tables.stream()
                .filter(each -> words.containsKey(each.mark()))
                .flatMap(each -> each.column(NAME).stream()
                        .map(title -> new SqlView.NamedTarget(words.get(each.mark()), each.name(), title.name())))
                .toList();
    }
}
