package org.jontrel.core.generate.sql;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.SequencedMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jontrel.core.code.Manifest;
import org.jontrel.core.code.ModelPackage;
import org.jontrel.core.generate.api.CodeText;
import org.jontrel.core.generate.api.ContentApi;

/** Scripts that make the tables of a database for what the content API gives, and that bring those of an earlier release on. */
public final class SqlCode {
    private final SqlDialect dialect;

    /**
     * @param files scripts by their names
     * @param notes what is called otherwise than in the model, and what is held, in sentences
     */
    public record Scripts(SequencedMap<String, String> files, List<String> notes) {}

    private SqlCode(SqlDialect dialect) {
        this.dialect = dialect;
    }

    public static SqlCode mariaDb() {
        return new SqlCode(new MariaDbDialect());
    }

    public static SqlCode postgreSql() {
        return new SqlCode(new PostgreSqlDialect());
    }

    /** {@code schema.sql}, for an empty database. */
    public Scripts of(ModelPackage content) {
        var schema = SqlTables.of(content);
        var files = new LinkedHashMap<String, String>();
        files.put("schema.sql", script(content, List.of("For an empty database."), install(schema)));
        return new Scripts(files, schema.notes());
    }

    /** With {@code migrate.sql} beside it, for a database that was made for an earlier release. */
    public Scripts of(ModelPackage content, ModelPackage before) {
        var schema = SqlTables.of(content);
        var migration = new SqlMigration(dialect, SqlTables.of(before), schema, release(before.manifest()));
        var files = new LinkedHashMap<>(of(content).files());
        files.put(
                "migrate.sql",
                script(
                        content,
                        List.of(
                                "For a database that was made for " + release(before.manifest()) + ".",
                                "Make a copy of the database first."),
                        migration.statements()));
        return new Scripts(
                files,
                Stream.concat(schema.notes().stream(), migration.notes().stream())
                        .toList());
    }

    private static String release(Manifest manifest) {
        return manifest.version().isEmpty() ? manifest.name() : manifest.name() + " " + manifest.version();
    }

    private List<String> install(SqlSchema schema) {
        var all = new ArrayList<String>();
        for (var table : schema.tables()) {
            all.add(dialect.create(table));
            all.addAll(dialect.comments(table));
            table.constraints(SqlConstraint.IndexConstraint.class).forEach(each -> all.add(dialect.add(table, each)));
        }
        for (var table : schema.tables()) {
            table.constraints(SqlConstraint.ForeignKey.class).forEach(each -> all.add(dialect.add(table, each)));
        }
        schema.views().forEach(each -> all.add(dialect.create(each)));
        return all;
    }

    private String script(ModelPackage content, List<String> about, List<String> statements) {
        var head = Stream.of(
                        ContentApi.of(content).head().stream(),
                        Stream.of("For " + dialect.title() + " or newer."),
                        about.stream())
                .flatMap(each -> each)
                .map(each -> "-- " + CodeText.line(each) + "\n")
                .collect(Collectors.joining());
        var body = Stream.of(dialect.begin().stream(), statements.stream(), dialect.end().stream())
                .flatMap(each -> each)
                .map(each -> each.startsWith(SqlMigration.SECTION) ? "\n" + each + "\n" : each + ";\n")
                .collect(Collectors.joining());
        return head + "\n" + body;
    }
}
