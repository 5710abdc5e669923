package org.jontrel.site.generated;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.concurrent.TimeUnit;
import org.jontrel.site.testing.Waiting;

/** A PostgreSQL of one's own, reached by a socket in a folder alone. It runs as somebody else than root, as it insists. */
final class PostgreSqlServer extends SqlServer {
    private static PostgreSqlServer running;
    private final Path folder;
    private final Process server;
    private int given;

    /** The one of all tests; it ends with them. */
    static synchronized PostgreSqlServer shared() {
        if (running == null) {
            running = new PostgreSqlServer();
            Runtime.getRuntime().addShutdownHook(new Thread(running::stop));
        }
        return running;
    }

    private PostgreSqlServer() {
        try {
            folder = Files.createTempDirectory("jontrel-pg-");
            if (isRoot()) {
                command(List.of("chown", "postgres", folder.toString()), "").checked();
            }
            var data = folder.resolve("data").toString();
            command(as(List.of(program("initdb"), "-D", data, "-U", "jontrel", "-A", "trust", "-E", "UTF8", "-N")), "")
                    .checked();
            server = new ProcessBuilder(as(List.of(
                            program("postgres"),
                            "-D",
                            data,
                            "-k",
                            folder.toString(),
                            "-c",
                            "listen_addresses=",
                            "-c",
                            "fsync=off",
                            "-c",
                            "full_page_writes=off",
                            "-c",
                            "synchronous_commit=off")))
                    .redirectErrorStream(true)
                    .redirectOutput(ProcessBuilder.Redirect.DISCARD)
                    .start();
            Waiting.untilAnswered("PostgreSQL", () -> run("public", "SELECT 1;").code() == 0);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static boolean isRoot() {
        return "root".equals(System.getProperty("user.name"));
    }

    private static List<String> as(List<String> command) {
        var all = new ArrayList<>(isRoot() ? List.of("runuser", "-u", "postgres", "--") : List.of());
        all.addAll(command);
        return all;
    }

    /** Debian keeps the programs of each version in a folder of their own. */
    private static String program(String name) throws IOException {
        var versions = Path.of("/usr/lib/postgresql");
        if (!Files.isDirectory(versions)) {
            return name;
        }
        try (var all = Files.list(versions)) {
            return all.map(each -> each.resolve("bin").resolve(name))
                    .filter(Files::isExecutable)
                    .max(Comparator.naturalOrder())
                    .map(Path::toString)
                    .orElse(name);
        }
    }

    @Override
    String target() {
        return "sql-postgresql";
    }

    @Override
    String fresh() {
        var place = "s" + ++given;
        run("public", "CREATE SCHEMA " + place + ";").checked();
        return place;
    }

    @Override
    String enter(String place) {
        return "SET search_path TO " + place + ";\n";
    }

    @Override
    SqlAnswer run(String place, String script) {
        return command(client("ON_ERROR_STOP=1"), enter(place) + script);
    }

    @Override
    void attempt(String place, String script) {
        command(client("ON_ERROR_STOP=0"), enter(place) + script);
    }

    private List<String> client(String onError) {
        return List.of(
                "psql",
                "--no-psqlrc",
                "-h",
                folder.toString(),
                "-U",
                "jontrel",
                "-d",
                "postgres",
                "-q",
                "-t",
                "-A",
                "-F",
                "\t",
                "-v",
                onError);
    }

    @Override
    String structure(String place) {
        return run(place, """
                SELECT 'column', table_name, column_name, data_type, character_maximum_length, numeric_precision,
                    numeric_scale, datetime_precision, is_nullable, column_default
                  FROM information_schema.columns WHERE table_schema = current_schema() ORDER BY 2, 3;
                SELECT 'constraint', conrelid::regclass::text, conname, pg_get_constraintdef(oid)
                  FROM pg_constraint WHERE connamespace = current_schema()::regnamespace ORDER BY 2, 3;
                SELECT 'index', tablename, indexname, indexdef
                  FROM pg_indexes WHERE schemaname = current_schema() ORDER BY 2, 3;
                SELECT 'view', viewname, definition FROM pg_views WHERE schemaname = current_schema() ORDER BY 2;
                SELECT 'comment', c.relname, a.attname, d.description
                  FROM pg_description d JOIN pg_class c ON c.oid = d.objoid
                  LEFT JOIN pg_attribute a ON a.attrelid = c.oid AND a.attnum = d.objsubid AND d.objsubid > 0
                  WHERE c.relnamespace = current_schema()::regnamespace ORDER BY 2, 3, 4;
                """).checked().replace(place + ".", "");
    }

    @Override
    String quoted(String name) {
        return "\"" + name + "\"";
    }

    private void stop() {
        server.destroy();
        try {
            if (!server.waitFor(10, TimeUnit.SECONDS)) {
                server.destroyForcibly().waitFor();
            }
            command(List.of("rm", "-rf", folder.toString()), "");
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }
}
