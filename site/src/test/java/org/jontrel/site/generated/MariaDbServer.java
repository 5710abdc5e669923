package org.jontrel.site.generated;

import java.util.ArrayList;
import java.util.List;
import org.jontrel.site.testing.TestDatabase;

/** The MariaDB of all tests. */
final class MariaDbServer extends SqlServer {
    @Override
    String target() {
        return "sql-mariadb";
    }

    @Override
    String fresh() {
        return TestDatabase.shared().create();
    }

    @Override
    String enter(String place) {
        return "USE " + place + ";\n";
    }

    @Override
    SqlAnswer run(String place, String script) {
        return command(client(place), script);
    }

    @Override
    void attempt(String place, String script) {
        var command = client(place);
        command.add("--force");
        command(command, script);
    }

    private static List<String> client(String place) {
        return new ArrayList<>(List.of(
                "mariadb",
                "--no-defaults",
                "--host=127.0.0.1",
                "--port=" + TestDatabase.shared().port(),
                "--user=" + TestDatabase.USER,
                "--password=" + TestDatabase.PASSWORD,
                "--skip-ssl",
                "--batch",
                "--skip-column-names",
                "--default-character-set=utf8mb4",
                "--database=" + place));
    }

    @Override
    String structure(String place) {
        return run(place, """
                SELECT 'column', table_name, column_name, column_type, is_nullable, collation_name, column_comment
                  FROM information_schema.columns WHERE table_schema = DATABASE() ORDER BY 2, 3;
                SELECT 'table', table_name, table_type, table_comment, table_collation
                  FROM information_schema.tables WHERE table_schema = DATABASE() ORDER BY 2;
                SELECT 'check', table_name, constraint_name, check_clause
                  FROM information_schema.check_constraints WHERE constraint_schema = DATABASE() ORDER BY 2, 3;
                SELECT 'index', table_name, index_name, seq_in_index, column_name, non_unique
                  FROM information_schema.statistics WHERE table_schema = DATABASE() ORDER BY 2, 3, 4;
                SELECT 'reference', k.table_name, k.constraint_name, k.ordinal_position, k.column_name,
                    k.referenced_table_name, k.referenced_column_name, r.delete_rule
                  FROM information_schema.key_column_usage k JOIN information_schema.referential_constraints r
                    ON r.constraint_schema = k.constraint_schema AND r.constraint_name = k.constraint_name
                  WHERE k.constraint_schema = DATABASE() ORDER BY 2, 3, 4;
                SELECT 'view', table_name, view_definition
                  FROM information_schema.views WHERE table_schema = DATABASE() ORDER BY 2;
                """).checked().replace("`" + place + "`.", "");
    }

    @Override
    String quoted(String name) {
        return "`" + name + "`";
    }
}
