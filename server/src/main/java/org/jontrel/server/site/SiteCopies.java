package org.jontrel.server.site;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.function.LongConsumer;
import java.util.regex.Pattern;
import org.apache.commons.io.FileUtils;
import org.jontrel.core.naming.Ids;
import org.jontrel.site.copy.SiteCopy;
import org.jontrel.site.table.RecordIds;
import org.springframework.stereotype.Service;

/** Copies of sites: sites themselves, which are in no list, are kept from search engines, and go with all that they have. */
@Service
public class SiteCopies {
    private static final Pattern COPY = Pattern.compile(".+-copy-c[a-z0-9]{8}");
    private static final int LONGEST_NAME = 100;
    /** Of a path, which is to have room for more. */
    private static final int MOST = 24;

    private final Ids unguessed = Ids.secure();
    private final Sites sites;
    private final SiteMapper mapper;
    private final RecordIds ids;

    SiteCopies(Sites sites, SiteMapper mapper, RecordIds ids) {
        this.sites = sites;
        this.mapper = mapper;
        this.ids = ids;
    }

    /** A path for a copy, which nobody guesses. */
    public String name(String path) {
        return path.substring(0, Math.min(path.length(), MOST)) + "-copy-" + unguessed.next('c');
    }

    /**
     * Copies all that a site has, and makes the copy a site.
     *
     * @param copied told from time to time how many rows are copied; what it throws ends the copy
     */
    public void fill(String path, String copy, LongConsumer copied) {
        mapper.createDatabase(database(copy));
        SiteCopy.make(sites.source(path), sites.database(database(copy)), copied);
        var folder = sites.mediaFolder(path);
        if (folder.isPresent() && Files.isDirectory(folder.get())) {
            link(folder.get(), sites.mediaFolder(copy).orElseThrow());
        }
        var site = sites.get(path);
        mapper.insert(new SiteMapper.SiteRow(
                ids.next(),
                site.workspaceId(),
                copy,
                shortened("Copy of " + site.name()),
                database(copy),
                mapper.of(site.workspaceId()).size() + 1,
                site.settings().look(),
                "",
                true,
                site.path()));
    }

    /** Files that are never changed once they are there: the copy has the same ones. */
    private static void link(Path from, Path to) {
        try (var all = Files.walk(from)) {
            for (var each : (Iterable<Path>) all::iterator) {
                var there = to.resolve(from.relativize(each));
                if (Files.isDirectory(each)) {
                    Files.createDirectories(there);
                } else {
                    linkOrCopy(each, there);
                }
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static void linkOrCopy(Path from, Path to) throws IOException {
        try {
            Files.createLink(to, from);
        } catch (IOException | UnsupportedOperationException _) {
            Files.copy(from, to);
        }
    }

    private static String shortened(String name) {
        return name.substring(0, Math.min(name.length(), LONGEST_NAME));
    }

    /** Removes a copy with all that it has, also where it never became a site. */
    public void remove(String copy) {
        var database = database(copy);
        mapper.removeCopy(copy);
        sites.forget(copy);
        mapper.removeTokens(copy);
        mapper.removeViews(copy);
        mapper.dropDatabase(database);
        sites.mediaFolder(copy).ifPresent(folder -> {
            try {
                FileUtils.deleteDirectory(folder.toFile());
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        });
    }

    /** What the database of a copy is called; no other site's is ever called so. */
    private String database(String copy) {
        if (!COPY.matcher(copy).matches()) {
            throw new IllegalArgumentException("Not a copy: " + copy);
        }
        return mapper.database() + "_site__copy_" + copy.substring(copy.lastIndexOf('-') + 1);
    }
}
