package org.jontrel.cli.remote;

import java.io.IOException;
import java.util.Map;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;

@Command(
        name = "run",
        mixinStandardHelpOptions = true,
        description =
                "Brings a site to a release, and tells how it goes until it has ended. Exit code 1 where it did not get there;"
                        + " the site is whole in any case.")
public final class RunCommand extends SiteCommand {
    @Option(names = "--release", paramLabel = "VERSION", description = "The release; the last one where left out.")
    private String version;

    @Override
    int call(RemoteServer server, Access access, RemoteSite site) throws IOException {
        var target = version == null ? PlanCommand.latest(server, access) : version;
        if (site.version().equals(target)) {
            out().println(site.name() + " has " + target + " already.");
            return 0;
        }
        var runs = path(site) + "/runs";
        var started = server.post(runs, Map.of("version", target));
        return new RunWatch(server, runs, out(), err()).follow(started, target);
    }
}
