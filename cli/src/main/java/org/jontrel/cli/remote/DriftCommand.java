package org.jontrel.cli.remote;

import java.io.IOException;
import java.util.ArrayList;
import java.util.Map;
import org.jontrel.cli.io.Output;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;

@Command(
        name = "drift",
        mixinStandardHelpOptions = true,
        description =
                "Looks whether somebody changed the tables of a site past its definitions. Exit code 1 where somebody did.")
public final class DriftCommand extends SiteCommand {
    @Option(names = "--json", description = "For machines: the differences as the server's API has them.")
    private boolean json;

    @Override
    int call(RemoteServer server, Access access, RemoteSite site) throws IOException {
        var drift = server.post(path(site) + "/drift/look", Map.of());
        var sentences = new ArrayList<String>();
        drift.get("differences")
                .forEach(each -> sentences.add(each.at("/finding/sentence").asString()));
        if (json) {
            out().println(Output.json(drift));
        } else if (sentences.isEmpty()) {
            out().println("The tables of " + site.name() + " are as its definitions say.");
        } else {
            sentences.forEach(out()::println);
        }
        return sentences.isEmpty() ? 0 : 1;
    }
}
