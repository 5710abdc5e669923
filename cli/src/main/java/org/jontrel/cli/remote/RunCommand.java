package org.jontrel.cli.remote;

import java.io.IOException;
import java.util.Map;
import java.util.Optional;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(
        name = "run",
        mixinStandardHelpOptions = true,
        description =
                "Brings a site to a release, and tells how it goes until it has ended. Exit code 1 where it did not get there;"
                        + " the site is whole in any case.")
public final class RunCommand extends RemoteCommand {
    @Parameters(index = "0", paramLabel = "SITE", description = "The address or the name of a site.")
    private String site;

    @Option(names = "--release", paramLabel = "VERSION", description = "The release; the last one where left out.")
    private String version;

    @Override
    Optional<String> remembered() throws IOException {
        return new Checkout(java.nio.file.Path.of(".")).server();
    }

    @Override
    int call(RemoteServer server, Access access) throws IOException {
        var found = site(server, access, site);
        var target = version == null ? PlanCommand.latest(server, access) : version;
        if (found.version().equals(target)) {
            out().println(found.name() + " has " + target + " already.");
            return 0;
        }
        var runs = "api/sites/" + found.path() + "/runs";
        var started = server.post(runs, Map.of("version", target));
        return new RunWatch(server, runs, out(), err()).follow(started, target);
    }
}
