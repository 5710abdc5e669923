package org.jontrel.cli.remote;

import java.io.IOException;
import org.jontrel.cli.io.Output;
import org.jontrel.cli.io.PackageSource;
import org.jontrel.core.code.PackageFiles;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tools.jackson.databind.JsonNode;

@Command(
        name = "plan",
        mixinStandardHelpOptions = true,
        description =
                "Says what a package, or a release, would do to a site and its records; nothing is changed. Exit code 1"
                        + " where it cannot be run, 3 where it asks something that migrations/ does not answer.")
public final class PlanCommand extends SiteCommand {
    static final int ASKS = 3;

    @Parameters(
            index = "1",
            arity = "0..1",
            paramLabel = "PATH",
            description =
                    "A folder or a zip with definitions that the server has not got yet; else the last release is planned.")
    private String path;

    @Option(names = "--release", paramLabel = "VERSION", description = "A release, in the place of the last one.")
    private String version;

    @Option(names = "--draft", description = "The draft as it is, in the place of the last release.")
    private boolean draft;

    @Option(names = "--markdown", description = "For a comment on a change.")
    private boolean markdown;

    @Option(names = "--json", description = "For machines: the plan as the server's API has it.")
    private boolean json;

    @Override
    int call(RemoteServer server, Access access, RemoteSite site) throws IOException {
        var plan = new PlanReport(plan(server, access, site));
        if (json) {
            out().println(Output.json(plan.tree()));
        } else {
            out().print(markdown ? plan.markdown() : plan.text());
            out().flush();
        }
        if (plan.asks()) {
            return ASKS;
        }
        return plan.isRunnable() ? 0 : 1;
    }

    private JsonNode plan(RemoteServer server, Access access, RemoteSite found) throws IOException {
        var at = path(found);
        if (path != null) {
            return server.upload(
                    at + "/plan", PackageFiles.toZip(PackageSource.read(path).files()));
        }
        if (draft) {
            return server.get(at + "/impact");
        }
        return server.get(at + "/plan?version=" + (version == null ? latest(server, access) : version));
    }

    /** The last release. @throws IOException where there is none */
    static String latest(RemoteServer server, Access access) throws IOException {
        var versions = server.get(access.path() + "/versions");
        if (versions.isEmpty()) {
            throw new IOException(access.title() + " has no release yet. Release the draft first, or plan a folder.");
        }
        return versions.get(0).get("version").asString();
    }
}
