package org.jontrel.core.generate.sql;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** New names of tables and columns. What goes gets a name that nothing else can have, so that its own is free. */
final class NameChanges {
    private final SqlDialect dialect;
    private final SchemaMatch match;
    private final SchemaMatch.NameSource free = new SchemaMatch.NameSource();
    private final List<String> statements = new ArrayList<>();
    private final Map<SqlTable, String> goneTables = new LinkedHashMap<>();
    private final Map<String, Map<SqlColumn, String>> goneColumns = new HashMap<>();

    NameChanges(SqlDialect dialect, SchemaMatch match) {
        this.dialect = dialect;
        this.match = match;
        setTablesAside();
        renameColumns();
        renameTables();
    }

    List<String> statements() {
        return List.copyOf(statements);
    }

    /** Names that tables which go have meanwhile. */
    Map<SqlTable, String> goneTables() {
        return goneTables;
    }

    /** Names that columns which go have meanwhile, of a table that stays. */
    Map<SqlColumn, String> goneColumns(String mark) {
        return goneColumns.get(mark);
    }

    private void setTablesAside() {
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
    }

    private void renameColumns() {
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
    }

    private void renameTables() {
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
}
