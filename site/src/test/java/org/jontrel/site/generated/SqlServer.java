package org.jontrel.site.generated;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.util.List;

/** A database server that is told everything by its own command, as people use it. */
abstract class SqlServer {
    /** @param output with tabs between columns */
    record SqlAnswer(int code, String output, String errors) {
        String checked() {
            if (code != 0) {
                throw new AssertionError(errors);
            }
            return output;
        }
    }

    /** The word for it among the targets of code. */
    abstract String target();

    /** An empty place for tables. */
    abstract String fresh();

    /** A statement with which those after it are about a place. */
    abstract String enter(String place);

    /** Runs a script up to its first error. */
    abstract SqlAnswer run(String place, String script);

    /** Runs what of a script can be run. */
    abstract void attempt(String place, String script);

    /** All that a place has, but for its rows and the order of columns. */
    abstract String structure(String place);

    abstract String quoted(String name);

    /** Which columns there are, each with its table, its type, and whether it must have a value. */
    final List<String[]> columns(String place) {
        return run(
                        place,
                        "SELECT c.table_name, c.column_name, c.data_type, c.is_nullable FROM information_schema.columns c"
                                + " JOIN information_schema.tables t ON t.table_schema = c.table_schema"
                                + " AND t.table_name = c.table_name WHERE t.table_type = 'BASE TABLE' AND c.table_schema = '"
                                + place + "' ORDER BY c.table_name, c.ordinal_position;")
                .checked()
                .lines()
                .map(line -> line.split("\t"))
                .toList();
    }

    static SqlAnswer command(List<String> command, String input) {
        try {
            var folder = Files.createTempDirectory("sql");
            var script = Files.writeString(folder.resolve("in.sql"), input);
            var errors = folder.resolve("errors");
            var process = new ProcessBuilder(command)
                    .redirectInput(script.toFile())
                    .redirectError(errors.toFile())
                    .start();
            var output = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
            var answer = new SqlAnswer(process.waitFor(), output, Files.readString(errors));
            Files.delete(script);
            Files.delete(errors);
            Files.delete(folder);
            return answer;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }
}
