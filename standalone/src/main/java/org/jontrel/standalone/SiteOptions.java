package org.jontrel.standalone;

import java.io.IOException;
import org.jontrel.core.naming.Keys;
import org.jontrel.serve.site.ServedSite;
import org.jontrel.serve.site.SiteSettings;
import picocli.CommandLine.Option;

/** How visitors know a site. */
final class SiteOptions {
    @Option(
            names = "--site",
            paramLabel = "PATH",
            description = "The site stands at /at/PATH/; else the package's name.")
    private String sitePath;

    @Option(names = "--name", description = "What the site is called; else the package's title.")
    private String name;

    @Option(
            names = "--address",
            paramLabel = "URL",
            description = "The address that visitors know the site by, for maps and search engines.",
            defaultValue = "")
    private String address;

    @Option(names = "--look", description = "The look of the site; else the first.", defaultValue = "")
    private String look;

    @Option(names = "--unlisted", description = "Search engines are asked to leave the site out.")
    private boolean unlisted;

    /** @throws IOException where something is no address */
    void check() throws IOException {
        address(address);
        if (sitePath != null) {
            path(sitePath);
        }
    }

    /** A package that cannot be read leaves a site that has definitions: only its name must be known then. */
    ServedSite described(PackagePlace place) throws IOException {
        var settings = new SiteSettings(look, address(address), unlisted);
        try {
            var manifest = place.find().content().manifest();
            var title = manifest.title().isBlank() ? manifest.name() : manifest.title();
            return new ServedSite.NamedSite(
                    path(sitePath == null ? manifest.name() : sitePath), name == null ? title : name, settings);
        } catch (PackageRefused e) {
            if (sitePath == null || name == null) {
                throw new IOException(e.getMessage() + " The database has definitions, which can be served without it:"
                        + " give --site and --name.");
            }
            return new ServedSite.NamedSite(path(sitePath), name, settings);
        }
    }

    private static String address(String address) throws IOException {
        if (!address.isEmpty() && !address.matches("https?://[^\\s/]+(/\\S*)?")) {
            throw new IOException(address + " is no address of a site. Give --address one such as"
                    + " https://towpath.example/at/towpath/.");
        }
        return address.isEmpty() || address.endsWith("/") ? address : address + "/";
    }

    private static String path(String path) throws IOException {
        if (!Keys.isPath(path)) {
            throw new IOException("“" + path
                    + "” cannot stand in an address. Give --site with lower case letters, digits" + " and hyphens.");
        }
        return path;
    }
}
