package org.jontrel.cli.remote;

import java.io.IOException;
import java.util.ArrayList;
import java.util.Map;
import java.util.Optional;
import org.jontrel.cli.io.Output;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(
        name = "drift",
        mixinStandardHelpOptions = true,
        description =
                "Looks whether somebody changed the tables of a site past its definitions. Exit code 1 where somebody did.")
public final class DriftCommand extends RemoteCommand {
    @Parameters(index = "0", paramLabel = "SITE", description = "The address or the name of a site.")
    private String site;

    @Option(names = "--json", description = "For machines: the differences as the server's API has them.")
    private boolean json;

    @Override
    Optional<String> remembered() throws IOException {
        return new Checkout(java.nio.file.Path.of(".")).server();
    }

    @Override
    int call(RemoteServer server, Access access) throws IOException {
        var found = site(server, access, site);
        var drift = server.post("api/sites/" + found.path() + "/drift/look", Map.of());
        var sentences = new ArrayList<String>();
        drift.get("differences")
                .forEach(each -> sentences.add(each.at("/finding/sentence").asString()));
        if (json) {
            out().println(Output.json(drift));
        } else if (sentences.isEmpty()) {
            out().println("The tables of " + found.name() + " are as its definitions say.");
        } else {
            sentences.forEach(out()::println);
        }
        return sentences.isEmpty() ? 0 : 1;
    }
}
