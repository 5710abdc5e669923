package org.jontrel.cli.remote;

import java.io.IOException;
import java.nio.file.Path;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(
        name = "send",
        mixinStandardHelpOptions = true,
        description =
                "Brings a release of one server into the draft of a workspace of another, as one edit that can be undone there."
                        + " What was changed there too is brought together; where it clashes nothing is taken, and the exit code is 1. To"
                        + " send it again changes nothing.")
public final class SendCommand extends RemoteCommand {
    @Parameters(index = "0", paramLabel = "VERSION", description = "A release, or “latest”.")
    private String version;

    @Option(names = "--to", paramLabel = "URL", required = true, description = "Address of the other server.")
    private String address;

    @Option(
            names = "--to-token-file",
            paramLabel = "FILE",
            required = true,
            description = "A file with a token of the other server that may change a draft.")
    private Path file;

    @Option(names = "--look", description = "Say only what would change there.")
    private boolean look;

    @Option(names = "--to-plain-http", description = "Send that token over plain HTTP, also to another machine.")
    private boolean plain;

    @Override
    int call(RemoteServer server, Access access) throws IOException {
        var named = version.equals("latest") ? PlanCommand.latest(server, access) : version;
        var zip = server.download(access.path() + "/releases/" + named + "/package");
        try (var other = new RemoteServer(Connections.address(address, plain), Connections.token(file, err()))) {
            var there = other.get("api/access");
            var answer = other.upload(
                    "api/workspaces/" + there.get("workspace").asString() + "/draft/package/merge?look=" + look,
                    zip.content());
            answer.get("changes")
                    .forEach(change -> out().println(change.get("sentence").asString()));
            RemoteServer.lines(answer.get("findings")).forEach(line -> err().println(line));
            var title = there.get("title").asString();
            err().println(
                            answer.get("changes").isEmpty()
                                    ? "Nothing changes in the draft of " + title + ": it had " + named
                                            + " before, or has been changed since."
                                    : look
                                            ? "Nothing was sent."
                                            : "It is in the draft of " + title + ", to be released there.");
        }
        return 0;
    }
}
