package org.jontrel.cli.remote;

import java.io.IOException;
import java.util.Map;
import picocli.CommandLine.Command;

@Command(
        name = "undo",
        mixinStandardHelpOptions = true,
        description =
                "Undoes the last run on a site, and tells how it goes until it has ended. Exit code 1 where it did not get"
                        + " there, or nothing can be undone.")
public final class UndoCommand extends SiteCommand {
    @Override
    int call(RemoteServer server, Access access, RemoteSite site) throws IOException {
        var runs = path(site) + "/runs";
        for (var run : server.get(runs)) {
            if (run.get("canUndo").asBoolean()) {
                var target = run.get("fromVersion").asString();
                var started = server.post(runs + "/" + run.get("id").asString() + "/undo", Map.of());
                return new RunWatch(server, runs, out(), err()).follow(started, target);
            }
        }
        err().println("jontrel: There is nothing to undo on " + site.name() + ".");
        return 1;
    }
}
