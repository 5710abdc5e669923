package org.jontrel.cli.remote;

import java.io.IOException;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(
        name = "copy",
        mixinStandardHelpOptions = true,
        description = {
            "Copies a whole site, records and all: into a file (-o), or into a workspace of another server (--to). Nobody who works on"
                    + " it waits, and the copy is of one moment. A file that was written so is a source too.",
            "Both tokens need the right run. What was broken off is repeated: half a site is never one."
        })
public final class CopyCommand extends RemoteCommand {
    @Parameters(
            index = "0",
            paramLabel = "SITE",
            description =
                    "The address or the name of a site; or a file that ends with .zip, which goes to the server of --to, or"
                            + " else to that of --server.")
    private String source;

    @Option(names = "-o", paramLabel = "FILE", description = "Where the archive goes.")
    private Path file;

    @Option(names = "--history", description = "With earlier states of records.")
    private boolean history;

    @Option(names = "--name", description = "What the copy is called; else as the site, with its address.")
    private String name;

    @Option(names = "--to", paramLabel = "URL", description = "Address of the other server.")
    private String address;

    @Option(
            names = "--to-token-file",
            paramLabel = "FILE",
            description = "A file with a token of a workspace there that has the right run.")
    private Path tokenFile;

    @Option(names = "--to-plain-http", description = "Send that token over plain HTTP, also to another machine.")
    private boolean plain;

    @Override
    int call(RemoteServer server, Access access) throws IOException {
        boolean fromFile = source.endsWith(".zip");
        boolean elsewhere = fromFile || address != null;
        if (elsewhere == (file != null)) {
            throw new IOException("Say where the copy goes: into a file with -o, or to another server with --to.");
        }
        if (address != null && tokenFile == null) {
            throw new IOException("--to needs --to-token-file, with a token of that server.");
        }
        if (fromFile) {
            restore(server, access, Path.of(source));
            return 0;
        }
        var site = site(server, access, source);
        if (file != null) {
            archive(server, site, file);
            out().println(file + " has the site " + site.path() + ", " + Files.size(file) + " bytes.");
            return 0;
        }
        var passing = Files.createTempFile("jontrel-archive", ".zip");
        try {
            archive(server, site, passing);
            restore(server, access, passing);
        } finally {
            Files.deleteIfExists(passing);
        }
        return 0;
    }

    /** Where something goes wrong, what was there before stays. */
    private void archive(RemoteServer server, RemoteSite site, Path into) throws IOException {
        server.save(SiteCommand.path(site) + "/archive?history=" + history, into);
    }

    private void restore(RemoteServer server, Access access, Path archive) throws IOException {
        if (address == null) {
            restored(server, access.path(), archive);
            return;
        }
        try (var other = new RemoteServer(Connections.address(address, plain), Connections.token(tokenFile, err()))) {
            var there = other.get("api/access").get("workspace").asString();
            restored(other, "api/workspaces/" + there, archive);
        }
    }

    private void restored(RemoteServer to, String workspace, Path archive) throws IOException {
        var asked = name == null ? "" : "?name=" + URLEncoder.encode(name, StandardCharsets.UTF_8);
        var site = to.sendFile(workspace + "/sites/archive" + asked, archive);
        out().println("The site " + site.get("name").asString() + " is at "
                + to.address().resolve("/at/" + site.get("path").asString() + "/") + ".");
    }
}
