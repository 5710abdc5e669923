package org.jontrel.standalone;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.concurrent.Callable;
import org.jontrel.serve.web.Secrets;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

@Command(
        name = "token",
        mixinStandardHelpOptions = true,
        description =
                "Makes a token for a program and prints its secret, which is kept nowhere. The site knows it from a line"
                        + " in the file of its option --tokens.")
final class TokenCommand implements Callable<Integer> {
    private static final int LONGEST_NAME = 100;

    @Spec
    private CommandSpec spec;

    @Parameters(paramLabel = "NAME", description = "Under which the program's changes stand.")
    private String name;

    @Option(names = "--write", description = "It may write records too; else it reads.")
    private boolean writes;

    @Option(
            names = "--to",
            paramLabel = "FILE",
            required = true,
            description = "The file of tokens; its line is added.")
    private Path file;

    @Override
    public Integer call() throws IOException {
        var trimmed = name.strip();
        if (trimmed.isEmpty()
                || trimmed.length() > LONGEST_NAME
                || trimmed.chars().anyMatch(Character::isISOControl)) {
            throw new ParameterException(
                    spec.commandLine(), "The name of a token has 1 to 100 characters, on one line.");
        }
        var secret = Secrets.fresh();
        var before = Files.exists(file) ? Files.readString(file) : "";
        var gap = before.isEmpty() || before.endsWith("\n") ? "" : "\n";
        Files.writeString(
                file,
                gap + TokensFile.line(secret, trimmed, writes) + "\n",
                StandardOpenOption.CREATE,
                StandardOpenOption.APPEND);
        try {
            new TokensFile(file).read();
        } catch (IOException e) {
            Files.writeString(file, before);
            throw e;
        }
        spec.commandLine().getOut().println(secret);
        spec.commandLine()
                .getErr()
                .println("Sent as Authorization: Bearer. A site that runs knows it after a signal (kill -HUP).");
        return 0;
    }
}
