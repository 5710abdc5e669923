package org.jontrel.cli.remote;

import java.io.IOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jontrel.core.code.ModelPackage;
import org.jontrel.core.code.PackageFiles;
import org.jontrel.core.code.PackageReader;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.shelf.PackageShelf;

/** The releases of the workspace of a server that a token is for: one package, called as the address of the workspace is. */
public final class RemoteShelf implements PackageShelf {
    private final RemoteServer server;
    private final String workspace;
    private final List<String> versions = new ArrayList<>();
    private final Map<String, ShelvedPackage> taken = new HashMap<>();

    RemoteShelf(RemoteServer server) throws IOException {
        this.server = server;
        workspace = server.get("api/access").get("workspace").asString();
        server.get("api/workspaces/" + workspace + "/versions")
                .forEach(each -> versions.add(each.get("version").asString()));
    }

    @Override
    public List<String> names() {
        return List.of(workspace);
    }

    @Override
    public List<ShelvedVersion> versions(String name) {
        if (!name.equals(workspace)) {
            return List.of();
        }
        var all = new ArrayList<ShelvedVersion>();
        for (var version : versions) {
            // what a workspace has released is whole: it needs nothing besides
            all.add(new ShelvedVersion(version, List.of()));
        }
        return all;
    }

    @Override
    public ShelvedPackage take(String name, String version) throws IOException {
        var known = taken.get(version);
        if (known != null) {
            return known;
        }
        var file = server.download("api/workspaces/" + workspace + "/releases/" + version + "/package")
                .content();
        var found = new ShelvedPackage(file, content(file, name, version), "");
        taken.put(version, found);
        return found;
    }

    private ModelPackage content(byte[] file, String name, String version) throws IOException {
        var findings = new ArrayList<Finding>();
        return PackageReader.read(PackageFiles.zip(file, findings), findings)
                .content()
                .filter(each -> each.manifest().version().equals(version))
                .orElseThrow(() -> new IOException(
                        server.address() + " gave something else than the package " + name + " " + version + "."));
    }
}
