package org.jontrel.cli.remote;

import java.io.IOException;
import java.io.PrintWriter;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Spec;
import tools.jackson.databind.JsonNode;

/** A command that talks to a server; what the server refuses is printed as problems of files are. */
abstract class RemoteCommand implements Callable<Integer> {
    @Spec
    private CommandSpec spec;

    @Mixin
    private ServerOptions options;

    /** The workspace that a token is for. */
    record Access(String workspace, String title, List<String> scopes) {
        String path() {
            return "api/workspaces/" + workspace;
        }
    }

    /** A site of the workspace. */
    record RemoteSite(String path, String name, String version) {}

    @Override
    public final Integer call() throws IOException {
        try (var server = options.connect(err())) {
            var own = server.get("api/access");
            var scopes = new ArrayList<String>();
            own.at("/token/scopes").forEach(scope -> scopes.add(scope.asString()));
            return call(
                    server,
                    new Access(own.get("workspace").asString(), own.get("title").asString(), scopes));
        } catch (RemoteException e) {
            e.findings().forEach(line -> err().println(line));
            err().println("jontrel: " + e.getMessage());
            return e.exitCode();
        }
    }

    abstract int call(RemoteServer server, Access access) throws IOException;

    PrintWriter out() {
        return spec.commandLine().getOut();
    }

    PrintWriter err() {
        return spec.commandLine().getErr();
    }

    /** The site that somebody names by its address or its name. */
    static RemoteSite site(RemoteServer server, Access access, String named) throws IOException {
        var known = new ArrayList<String>();
        for (var each : server.get(access.path() + "/sites")) {
            var site = site(each);
            if (each.hasNonNull("copyOf")) {
                continue;
            }
            if (site.path().equals(named) || site.name().equalsIgnoreCase(named)) {
                return site;
            }
            known.add(site.name());
        }
        throw new IOException("The workspace " + access.title() + " has no site " + named + "."
                + (known.isEmpty() ? " It has none yet." : " It has: " + String.join(", ", known) + "."));
    }

    private static RemoteSite site(JsonNode tree) {
        return new RemoteSite(
                tree.get("path").asString(),
                tree.get("name").asString(),
                tree.get("version").asString());
    }
}
