package org.jontrel.site.archive;

import java.io.IOException;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.SQLException;
import java.time.Duration;
import java.util.Optional;
import java.util.Set;
import java.util.function.LongConsumer;
import java.util.stream.Collectors;
import javax.sql.DataSource;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.finding.Severity;
import org.jontrel.site.Site;
import org.jontrel.site.media.MediaContents;
import org.jontrel.site.table.DatabaseException;
import org.jontrel.site.table.Jdbc;
import org.jontrel.site.table.Schema;
import tools.jackson.core.JacksonException;

/** Makes a site of an archive, in a database that is empty. Until it is done, nothing says that it is a site. */
public final class SiteRestore {
    private static final int COMMIT_EVERY = 10_000;
    /** Comes last: until then the database has no definitions, and nobody takes it for a site. */
    private static final String INSTALLED = "jontrel_installed";

    /** Classes of SQLSTATE (ISO 9075) for values, keys and statements that are wrong, whatever database it is. */
    private static final Set<String> OF_CONTENT = Set.of("21", "22", "23", "42");

    private static final Duration STALE = Duration.ofSeconds(6);
    private final ArchiveFile archive;
    private final Connection to;
    private final LongConsumer progress;
    private long restored;

    private SiteRestore(ArchiveFile archive, Connection to, LongConsumer progress) {
        this.archive = archive;
        this.to = to;
        this.progress = progress;
    }

    /**
     * Fills the database, and holds that it is a whole site.
     *
     * @param mediaFolder where its pictures and files go; empty for the database
     * @param progress told from time to time how many rows are there; what it throws ends it
     * @throws ArchiveRefused where no site comes of it: what is in the database is of no use then
     */
    public static void fill(ArchiveFile archive, DataSource to, Optional<Path> mediaFolder, LongConsumer progress)
            throws IOException {
        try (var connection = to.getConnection()) {
            if (!Schema.tables(connection).isEmpty()) {
                throw new ArchiveRefused("The database has tables already. A site is restored into an empty one.");
            }
            // with the tables that every site has
            Site.open(to, "restore", STALE, mediaFolder);
            connection.setAutoCommit(false);
            var restore = new SiteRestore(archive, connection, progress);
            restore.tables();
            restore.rows();
            var contents = new MediaContents(to, mediaFolder);
            for (var name : archive.names(SiteArchive.MEDIA)) {
                contents.put(name.substring(SiteArchive.MEDIA.length()), archive.bytes(name));
            }
            restore.own(INSTALLED);
            connection.commit();
        } catch (SQLException e) {
            throw isOfContent(e)
                    ? new ArchiveRefused(
                            "The archive has something that the database does not take. Nothing was restored.", e)
                    : new DatabaseException(e);
        }
        isWhole(archive, opened(to, mediaFolder));
    }

    private static boolean isOfContent(SQLException thrown) {
        var state = thrown.getSQLState();
        return state != null && OF_CONTENT.stream().anyMatch(state::startsWith);
    }

    private static Site opened(DataSource to, Optional<Path> mediaFolder) {
        try {
            var site = Site.open(to, "restore", STALE, mediaFolder);
            site.installed();
            return site;
        } catch (DatabaseException e) {
            throw e;
        } catch (RuntimeException e) {
            throw new ArchiveRefused("The archive's definitions cannot be read. Nothing was restored.", e);
        }
    }

    private void tables() throws SQLException {
        for (var table : archive.manifest().tables()) {
            if (table.name().startsWith(SiteArchive.OWN)) {
                throw new ArchiveRefused("The archive describes the table " + table.name()
                        + ", which every site has by itself. Nothing was restored.");
            }
            Jdbc.execute(to, table.statement());
        }
    }

    private void rows() throws SQLException, IOException {
        var described =
                archive.manifest().tables().stream().map(ArchiveTable::name).collect(Collectors.toSet());
        for (var name : archive.names(SiteArchive.RECORDS)) {
            var table = table(name, SiteArchive.RECORDS);
            if (!described.contains(table)) {
                throw unknown(table);
            }
            rows(name, table);
        }
        for (var name : archive.names(SiteArchive.SITE)) {
            var table = table(name, SiteArchive.SITE);
            if (!table.equals(INSTALLED)) {
                own(table);
            }
        }
    }

    /** A table that every site has, with rows of its own until now. */
    private void own(String table) throws SQLException, IOException {
        boolean known = table.startsWith(SiteArchive.OWN) && Schema.tables(to).containsKey(table);
        if (!known || SiteArchive.LEFT_OUT.contains(table)) {
            throw unknown(table);
        }
        Jdbc.update(to, "DELETE FROM `" + table + "`");
        rows(SiteArchive.SITE + table + SiteArchive.LINES, table);
    }

    private static String table(String name, String folder) {
        return name.substring(folder.length(), name.length() - SiteArchive.LINES.length());
    }

    private static ArchiveRefused unknown(String table) {
        return new ArchiveRefused(
                "The archive has rows for " + table + ", which is no table of this site. It may be of a"
                        + " newer version of Jontrel. Nothing was restored.");
    }

    private void rows(String name, String table) throws SQLException, IOException {
        var rows = new ArchiveRows(to, table);
        long before = restored;
        try (var lines = archive.lines(name)) {
            for (var line = lines.readLine(); line != null; line = lines.readLine()) {
                rows.add(line);
                if (++restored % COMMIT_EVERY == 0) {
                    rows.flush();
                    to.commit();
                    progress.accept(restored);
                }
            }
        } catch (JacksonException _) {
            throw new ArchiveRefused("Line " + (restored - before + 1) + " of " + name + " in the archive is no row.");
        }
        rows.flush();
        to.commit();
        progress.accept(restored);
        if (restored - before != archive.manifest().rows().getOrDefault(name, -1L)) {
            throw new ArchiveRefused(name + " in the archive has another number of rows than the archive says.");
        }
    }

    /** Its tables are those of its definitions, and its definitions those that the archive names. */
    private static void isWhole(ArchiveFile archive, Site site) {
        if (!site.installed().version().equals(archive.manifest().version())) {
            throw new ArchiveRefused("The archive has other definitions than it says. Nothing was restored.");
        }
        var wrong = site.drift().look().stream()
                .filter(finding -> finding.severity() == Severity.BLOCKER)
                .map(Finding::sentence)
                .collect(Collectors.joining(" "));
        if (!wrong.isEmpty()) {
            throw new ArchiveRefused("The archive's tables are not those of its definitions. " + wrong);
        }
    }
}
