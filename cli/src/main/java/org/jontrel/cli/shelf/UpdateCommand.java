package org.jontrel.cli.shelf;

import java.io.IOException;
import java.util.List;
import org.jontrel.core.finding.Nearest;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;

@Command(
        name = "update",
        mixinStandardHelpOptions = true,
        description =
                "Brings a folder to the newest versions of the packages that it requires: what is new is merged into the folder's files,"
                        + " and told. Where something clashes nothing is written, and the exit code is 1.")
public final class UpdateCommand extends TakingCommand {
    @Parameters(
            index = "1..*",
            paramLabel = "NAME",
            description = "Only these packages; others stay at their version where that still does.")
    private List<String> names = List.of();

    @Override
    public Integer call() throws IOException {
        var from = shelf();
        var known = from.names();
        for (var name : names) {
            if (!known.contains(name)) {
                throw new IOException(
                        "There is no package " + name + " here or on the shelf." + Nearest.hint(name, known));
            }
        }
        return take(from, requires(), name -> names.isEmpty() || names.contains(name));
    }
}
