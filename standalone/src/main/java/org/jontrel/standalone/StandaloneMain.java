package org.jontrel.standalone;

import java.io.IOException;
import java.io.PrintWriter;
import java.nio.charset.StandardCharsets;
import picocli.CommandLine;

/** {@code java -jar jontrel-site.jar PACKAGE}. */
public final class StandaloneMain {
    private StandaloneMain() {}

    public static void main(String[] arguments) {
        int code = run(
                new PrintWriter(System.out, true, StandardCharsets.UTF_8),
                new PrintWriter(System.err, true, StandardCharsets.UTF_8),
                arguments);
        if (code != ServeCommand.SERVING) {
            System.exit(code);
        }
    }

    /** @return the exit code; {@link ServeCommand#SERVING} where the site is served until the process is told to end */
    static int run(PrintWriter out, PrintWriter err, String... arguments) {
        return line(new ServeCommand(), out, err).execute(arguments);
    }

    static CommandLine line(ServeCommand command, PrintWriter out, PrintWriter err) {
        var line = new CommandLine(command).addSubcommand(new TokenCommand());
        line.setOut(out).setErr(err);
        line.setExecutionExceptionHandler((e, _, _) -> {
            if (e instanceof IOException) {
                err.println("jontrel-site: " + e.getMessage());
                return ServeCommand.WRONG_USE;
            }
            throw e;
        });
        return line;
    }
}
