package org.jontrel.cli;

import java.io.PrintWriter;
import java.nio.charset.StandardCharsets;
import java.nio.file.AccessDeniedException;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.FileSystemException;
import java.nio.file.NoSuchFileException;
import org.jontrel.cli.io.Output;
import org.jontrel.cli.remote.CopyCommand;
import org.jontrel.cli.remote.DriftCommand;
import org.jontrel.cli.remote.ImportCommand;
import org.jontrel.cli.remote.PlanCommand;
import org.jontrel.cli.remote.ProposeCommand;
import org.jontrel.cli.remote.PullCommand;
import org.jontrel.cli.remote.PushCommand;
import org.jontrel.cli.remote.ReleaseCommand;
import org.jontrel.cli.remote.RunCommand;
import org.jontrel.cli.remote.SendCommand;
import org.jontrel.cli.remote.StatusCommand;
import org.jontrel.cli.remote.UndoCommand;
import org.jontrel.cli.shelf.RequireCommand;
import org.jontrel.cli.shelf.ShelfCommand;
import org.jontrel.cli.shelf.UpdateCommand;
import org.jontrel.core.code.UnwritableException;
import picocli.CommandLine;
import picocli.CommandLine.Command;

/**
 * {@code jontrel COMMAND}: exit code 0 where all is well, 1 where there are findings or differences, 2 for wrong use, 3 for a
 * plan with open questions.
 */
@Command(
        name = "jontrel",
        subcommands = {
            CheckCommand.class,
            FormatCommand.class,
            CompareCommand.class,
            MergeCommand.class,
            SchemaCommand.class,
            DescribeCommand.class,
            GenerateCommand.class,
            ShelfCommand.class,
            RequireCommand.class,
            UpdateCommand.class,
            StatusCommand.class,
            PullCommand.class,
            PushCommand.class,
            ReleaseCommand.class,
            PlanCommand.class,
            RunCommand.class,
            UndoCommand.class,
            DriftCommand.class,
            SendCommand.class,
            CopyCommand.class,
            ProposeCommand.class,
            ImportCommand.class
        },
        mixinStandardHelpOptions = true,
        version = "Jontrel 0.1.0",
        description =
                "Checks, formats, compares, merges and describes packages of definitions, makes code of them, takes them from"
                        + " shelves, and carries them between folders, workspaces and sites of a server.")
public final class Main {
    public static void main(String[] arguments) {
        var out = new PrintWriter(System.out, true, StandardCharsets.UTF_8);
        var err = new PrintWriter(System.err, true, StandardCharsets.UTF_8);
        System.exit(run(out, err, arguments));
    }

    /** What the file system refused, in words: its own messages are names of files and nothing else. */
    private static String told(FileSystemException e) {
        var reason =
                switch (e) {
                    case AccessDeniedException _ -> "this account may not";
                    case NoSuchFileException _ -> "it, or the folder it is to be in, is not there";
                    case FileAlreadyExistsException _ -> "there is a file where a folder is needed";
                    default -> e.getReason() == null ? "the system gave no reason" : e.getReason();
                };
        return e.getFile() + " cannot be read or written: " + reason + ".";
    }

    /** Carries out a command, as the program does. @return its exit code */
    public static int run(PrintWriter out, PrintWriter err, String... arguments) {
        var line = new CommandLine(new Main()).setOut(out).setErr(err);
        line.setExecutionExceptionHandler((e, _, _) -> {
            if (e instanceof UnwritableException unwritable) {
                unwritable.findings().forEach(finding -> err.println(Output.line(finding)));
                return 1;
            }
            err.println("jontrel: " + (e instanceof FileSystemException file ? told(file) : e.getMessage()));
            return CommandLine.ExitCode.USAGE;
        });
        return line.execute(arguments);
    }
}
