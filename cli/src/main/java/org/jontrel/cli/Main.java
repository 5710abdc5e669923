package org.jontrel.cli;

import java.io.PrintWriter;
import java.nio.charset.StandardCharsets;
import org.jontrel.core.code.UnwritableException;
import picocli.CommandLine;
import picocli.CommandLine.Command;

/** {@code jontrel COMMAND}: exit code 0 where all is well, 1 where there are findings or differences, 2 for wrong use. */
@Command(
        name = "jontrel",
        subcommands = {
            CheckCommand.class,
            FormatCommand.class,
            CompareCommand.class,
            MergeCommand.class,
            SchemaCommand.class,
            DescribeCommand.class
        },
        mixinStandardHelpOptions = true,
        version = "Jontrel 0.1.0",
        description = "Checks, formats, compares, merges and describes packages of definitions.")
public final class Main {
    public static void main(String[] arguments) {
        var out = new PrintWriter(System.out, true, StandardCharsets.UTF_8);
        var err = new PrintWriter(System.err, true, StandardCharsets.UTF_8);
        System.exit(run(out, err, arguments));
    }

    static int run(PrintWriter out, PrintWriter err, String... arguments) {
        var line = new CommandLine(new Main()).setOut(out).setErr(err);
        line.setExecutionExceptionHandler((e, _, _) -> {
            if (e instanceof UnwritableException unwritable) {
                unwritable.findings().forEach(finding -> err.println(Output.line(finding)));
                return 1;
            }
            err.println("jontrel: " + e.getMessage());
            return CommandLine.ExitCode.USAGE;
        });
        return line.execute(arguments);
    }
}
