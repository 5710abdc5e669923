package org.jontrel.cli.remote;

import java.io.IOException;
import java.util.Map;
import java.util.Optional;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;

@Command(
        name = "undo",
        mixinStandardHelpOptions = true,
        description =
                "Undoes the last run on a site, and tells how it goes until it has ended. Exit code 1 where it did not get"
                        + " there, or nothing can be undone.")
public final class UndoCommand extends RemoteCommand {
    @Parameters(index = "0", paramLabel = "SITE", description = "The address or the name of a site.")
    private String site;

    @Override
    Optional<String> remembered() throws IOException {
        return new Checkout(java.nio.file.Path.of(".")).server();
    }

    @Override
    int call(RemoteServer server, Access access) throws IOException {
        var found = site(server, access, site);
        var runs = "api/sites/" + found.path() + "/runs";
        for (var run : server.get(runs)) {
            if (run.get("canUndo").asBoolean()) {
                var target = run.get("fromVersion").asString();
                var started = server.post(runs + "/" + run.get("id").asString() + "/undo", Map.of());
                return new RunWatch(server, runs, out(), err()).follow(started, target);
            }
        }
        err().println("jontrel: There is nothing to undo on " + found.name() + ".");
        return 1;
    }
}
