package org.jontrel.server.archive;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.List;
import java.util.concurrent.Semaphore;
import org.jontrel.core.naming.Keys;
import org.jontrel.serve.site.ServedSite;
import org.jontrel.serve.site.SiteSettings;
import org.jontrel.serve.web.Refusal;
import org.jontrel.server.site.ArrivalDatabases;
import org.jontrel.server.site.Sites;
import org.jontrel.server.trail.Trail;
import org.jontrel.server.trail.TrailAction;
import org.jontrel.site.archive.ArchiveFile;
import org.jontrel.site.archive.ArchiveManifest.ArchivedSite;
import org.jontrel.site.archive.ArchiveRefused;
import org.jontrel.site.archive.SiteArchive;
import org.jontrel.site.archive.SiteRestore;
import org.springframework.stereotype.Service;

/** Archives of sites, and sites of archives. */
@Service
class SiteArchives {
    private static final int LONGEST_NAME = 100;
    /** Of the disk on which archives wait. */
    private static final long LEAST_FREE = 512L << 20;

    /** Each reads or writes a whole site. */
    private final Semaphore places = new Semaphore(2);

    private final Sites sites;
    private final ArrivalDatabases arrivals;
    private final Trail trail;

    SiteArchives(Sites sites, ArrivalDatabases arrivals, Trail trail) {
        this.sites = sites;
        this.arrivals = arrivals;
        this.trail = trail;
    }

    /** @throws Refusal where no archive can be made of it now */
    void check(String path) {
        if (places.availablePermits() == 0) {
            throw busy();
        }
        try {
            open(path, false).close();
        } catch (ArchiveRefused e) {
            throw Refusal.conflict(e.getMessage(), null);
        }
        trail.add(TrailAction.SITE_ARCHIVED, path);
    }

    private static Refusal busy() {
        return Refusal.unavailable("The server is busy with other archives. Try again in a few minutes.");
    }

    private SiteArchive open(String path, boolean history) {
        var site = sites.get(path);
        var settings = site.settings();
        var about =
                new ArchivedSite(site.path(), site.name(), settings.look(), settings.address(), settings.unlisted());
        return new SiteArchive(sites.source(path), sites.mediaFolder(path), about, history);
    }

    /** Writes the site as it is at this moment. What goes wrong by then ends the answer in the middle: it is no archive then. */
    void write(String path, boolean history, OutputStream out) throws IOException {
        places.acquireUninterruptibly();
        try (var archive = open(path, history)) {
            archive.writeTo(out, _ -> {});
        } finally {
            places.release();
        }
    }

    /**
     * Makes a site of an archive.
     *
     * @param name of the site; empty for that which the archive has, with its address
     * @param bytes that are said to come; -1 where nothing is said
     */
    Sites.Registered restore(long workspaceId, String name, InputStream body, long bytes) throws IOException {
        var trimmed = name.strip();
        if (trimmed.length() > LONGEST_NAME) {
            throw Refusal.invalid("The name of a site must have 1 to 100 characters.", List.of());
        }
        if (Files.getFileStore(Path.of(System.getProperty("java.io.tmpdir"))).getUsableSpace() - bytes < LEAST_FREE) {
            throw Refusal.full("There is too little room left on the server's disk for this archive."
                    + " Whoever runs the server needs to make room.");
        }
        if (!places.tryAcquire()) {
            throw busy();
        }
        var file = Files.createTempFile("jontrel-archive", ".zip");
        try {
            Files.copy(body, file, StandardCopyOption.REPLACE_EXISTING);
            return restore(workspaceId, trimmed, file);
        } catch (ArchiveRefused e) {
            throw Refusal.invalid(e.getMessage(), List.of());
        } finally {
            places.release();
            Files.deleteIfExists(file);
        }
    }

    private Sites.Registered restore(long workspaceId, String name, Path file) throws IOException {
        try (var archive = ArchiveFile.open(file);
                var database = arrivals.open()) {
            var site = named(archive, name);
            if (sites.find(site.path()).isPresent()) {
                throw Refusal.conflict(
                        "There is already a site at the address " + site.path() + ". Give another name.", null);
            }
            SiteRestore.fill(archive, database.source(), sites.mediaFolder(site.path()), _ -> {});
            var registered = sites.adopt(workspaceId, site, database.name());
            trail.add(TrailAction.SITE_RESTORED, site.path());
            return registered;
        }
    }

    /** A site that gets another name is another one: it does not say that it stands where the first does. */
    private static ServedSite named(ArchiveFile archive, String name) {
        var about = archive.manifest().site();
        if (name.isEmpty()) {
            if (!Keys.isPath(about.path())
                    || about.name().isBlank()
                    || about.name().length() > LONGEST_NAME) {
                throw new ArchiveRefused("The archive has a site with no name that can be used. Give one.");
            }
            return new ServedSite.NamedSite(
                    about.path(), about.name(), new SiteSettings(about.look(), about.address(), about.unlisted()));
        }
        var path = Keys.pathFrom(name);
        if (!Keys.isPath(path)) {
            throw new ArchiveRefused("No address comes of the name “" + name + "”. Give one with letters.");
        }
        return new ServedSite.NamedSite(path, name, new SiteSettings(about.look(), "", about.unlisted()));
    }
}
