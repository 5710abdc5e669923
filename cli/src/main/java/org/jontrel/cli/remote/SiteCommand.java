package org.jontrel.cli.remote;

import java.io.IOException;
import picocli.CommandLine.Parameters;

/** A command for a site of the workspace. */
abstract class SiteCommand extends RemoteCommand {
    @Parameters(index = "0", paramLabel = "SITE", description = "The address or the name of a site.")
    private String named;

    @Override
    final int call(RemoteServer server, Access access) throws IOException {
        return call(server, access, site(server, access, named));
    }

    abstract int call(RemoteServer server, Access access, RemoteSite site) throws IOException;

    /** Where the API has a site. */
    static String path(RemoteSite site) {
        return "api/sites/" + site.path();
    }
}
