package org.jontrel.site.archive;

import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.security.DigestOutputStream;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.sql.Connection;
import java.sql.SQLException;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.LongConsumer;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import javax.sql.DataSource;
import org.jontrel.core.code.Manifest;
import org.jontrel.core.code.ModelPackage;
import org.jontrel.core.code.PackageWriter;
import org.jontrel.core.naming.Keys;
import org.jontrel.site.media.MediaContents;
import org.jontrel.site.table.DatabaseException;
import org.jontrel.site.table.Ddl;
import org.jontrel.site.table.Jdbc;
import org.jontrel.site.table.ModelText;
import org.jontrel.site.table.Schema;

/**
 * Writes a site as it is at one moment, while people work on it: what is read is a snapshot, and goes out as it is read. The
 * file ends with the checksums of all that is in it; one that has none was cut off.
 */
public final class SiteArchive implements AutoCloseable {
    static final String MANIFEST = "archive.json";
    static final String CHECKSUMS = "checksums.txt";
    static final String PACKAGE = "package/";
    static final String RECORDS = "records/";
    static final String SITE = "site/";
    static final String MEDIA = "media/";
    static final String LINES = ".jsonl";
    static final String OWN = "jontrel_";
    static final String HISTORY = "jontrel_history";
    /** Who works on the site belongs to the server, bytes of files stand as they are, and rows of workbooks are kept for a while only. */
    static final Set<String> LEFT_OUT = Stream.concat(
                    Stream.of("jontrel_lease", "jontrel_content"), Ddl.OF_IMPORTS.stream())
            .collect(Collectors.toUnmodifiableSet());

    private static final String SWITCHED_MEANWHILE =
            "The site's definitions were switched while the archive was made. Make it again.";
    /** Definitions changed since the snapshot, or a table that was there then is gone. */
    private static final List<Integer> SWITCHED = List.of(1412, 1146);

    private final Connection from;
    private final Optional<Path> mediaFolder;
    private final ArchiveManifest.ArchivedSite about;
    private final boolean history;
    private Map<String, String> tables;
    private final List<ArchiveTable> structures = new ArrayList<>();
    private final Map<String, String> checksums = new LinkedHashMap<>();
    private final Map<String, Long> rows = new LinkedHashMap<>();
    private long written;

    /**
     * Takes hold of the moment.
     *
     * @param mediaFolder where its pictures and files are; empty where they are in the database
     * @param history whether earlier states of records go with it
     * @throws ArchiveRefused where a run is under way
     */
    public SiteArchive(
            DataSource site, Optional<Path> mediaFolder, ArchiveManifest.ArchivedSite about, boolean history) {
        this.mediaFolder = mediaFolder;
        this.about = about;
        this.history = history;
        try {
            from = site.getConnection();
        } catch (SQLException e) {
            throw new DatabaseException(e);
        }
        try {
            begin(site);
        } catch (SQLException | RuntimeException e) {
            close();
            throw e instanceof SQLException sql ? new DatabaseException(sql) : (RuntimeException) e;
        }
    }

    private void begin(DataSource site) throws SQLException {
        from.setAutoCommit(false);
        from.setTransactionIsolation(Connection.TRANSACTION_REPEATABLE_READ);
        Jdbc.execute(from, "START TRANSACTION WITH CONSISTENT SNAPSHOT, READ ONLY");
        if (Jdbc.number(from, "SELECT COUNT(*) FROM jontrel_run WHERE state = 'running'") > 0) {
            throw new ArchiveRefused(
                    "A run on this site is under way, or was interrupted. Make the archive when it has ended.");
        }
        tables = Schema.tables(from);
        for (var table : tables.entrySet()) {
            if (!table.getKey().startsWith(OWN)) {
                structures.add(ArchiveTable.of(from, table.getKey(), table.getValue()));
            }
        }
        if (runs(from) != runsNow(site)) {
            throw new ArchiveRefused(SWITCHED_MEANWHILE);
        }
    }

    private static long runs(Connection connection) throws SQLException {
        return Jdbc.number(connection, "SELECT COUNT(*) FROM jontrel_run");
    }

    /** Tables are listed as they are now, not as they were at the moment: nothing may have begun to change them since. */
    private static long runsNow(DataSource site) throws SQLException {
        try (var now = site.getConnection()) {
            return runs(now);
        }
    }

    /**
     * Writes it all; the stream is left open.
     *
     * @param progress told from time to time how many rows are written; what it throws ends it
     * @throws ArchiveRefused where the definitions were switched meanwhile: what was written is no archive
     */
    public void writeTo(OutputStream out, LongConsumer progress) throws IOException {
        try {
            var zip = new ZipOutputStream(out, StandardCharsets.UTF_8);
            var version = definitions(zip);
            for (var table : tables.keySet()) {
                if (!LEFT_OUT.contains(table) && (history || !table.equals(HISTORY))) {
                    rows(zip, table, (table.startsWith(OWN) ? SITE : RECORDS) + table + LINES, progress);
                }
            }
            MediaContents.each(from, mediaFolder, (name, bytes) -> entry(zip, MEDIA + name, bytes::transferTo));
            var manifest = new ArchiveManifest(
                    ArchiveManifest.FORMAT,
                    about,
                    version,
                    Instant.now().truncatedTo(ChronoUnit.SECONDS).toString(),
                    history,
                    structures,
                    rows);
            entry(zip, MANIFEST, into -> into.write(ArchiveFile.JSON.writeValueAsBytes(manifest)));
            var lines = new StringBuilder();
            checksums.forEach(
                    (name, sum) -> lines.append(sum).append("  ").append(name).append('\n'));
            zip.putNextEntry(stamped(CHECKSUMS));
            zip.write(lines.toString().getBytes(StandardCharsets.UTF_8));
            zip.closeEntry();
            zip.finish();
        } catch (SQLException e) {
            throw refused(e);
        } catch (ThrownSql e) {
            throw refused((SQLException) e.getCause());
        } catch (UncheckedIOException e) {
            throw e.getCause();
        }
    }

    private static RuntimeException refused(SQLException thrown) {
        return SWITCHED.contains(thrown.getErrorCode())
                ? new ArchiveRefused(SWITCHED_MEANWHILE, thrown)
                : new DatabaseException(thrown);
    }

    /** The installed definitions, as a package that runs without any editor. */
    private String definitions(ZipOutputStream zip) throws SQLException, IOException {
        record ArchivedDefinitions(String version, String model) {}
        var installed = Jdbc.first(
                        from,
                        "SELECT version, model FROM jontrel_installed WHERE id = 1",
                        row -> new ArchivedDefinitions(row.getString(1), row.getString(2)))
                .orElseThrow();
        if (!installed.version().isEmpty()) {
            var manifest =
                    Manifest.of(Keys.packageName(about.name()), installed.version(), about.name(), List.of(), "", "");
            var files = PackageWriter.write(new ModelPackage(manifest, ModelText.read(installed.model()), List.of()));
            for (var file : files.entrySet()) {
                entry(zip, PACKAGE + file.getKey(), into -> into.write(file.getValue()));
            }
        }
        return installed.version();
    }

    private void rows(ZipOutputStream zip, String table, String name, LongConsumer progress)
            throws SQLException, IOException {
        long before = written;
        entry(zip, name, into -> {
            try {
                new ArchiveRows(from, table).each(line -> {
                    try {
                        into.write(line);
                        into.write('\n');
                    } catch (IOException e) {
                        throw new UncheckedIOException(e);
                    }
                    if (++written % 1_000 == 0) {
                        progress.accept(written);
                    }
                });
            } catch (SQLException e) {
                throw new ThrownSql(e);
            }
        });
        rows.put(name, written - before);
        progress.accept(written);
    }

    /** Carries what a statement throws through code that writes. */
    private static final class ThrownSql extends RuntimeException {
        private static final long serialVersionUID = 1;

        ThrownSql(SQLException cause) {
            super(cause);
        }
    }

    private interface EntryWriter {
        void write(OutputStream into) throws IOException;
    }

    private void entry(ZipOutputStream zip, String name, EntryWriter writer) throws IOException {
        try {
            var digest = MessageDigest.getInstance("SHA-256");
            zip.putNextEntry(stamped(name));
            writer.write(new DigestOutputStream(zip, digest));
            zip.closeEntry();
            checksums.put(name, HexFormat.of().formatHex(digest.digest()));
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }

    /** Two archives of one state differ in nothing but the time that they say. */
    private static ZipEntry stamped(String name) {
        var entry = new ZipEntry(name);
        entry.setTimeLocal(java.time.LocalDateTime.of(2026, 1, 1, 0, 0));
        return entry;
    }

    @Override
    public void close() {
        try {
            from.rollback();
            from.close();
        } catch (SQLException e) {
            throw new DatabaseException(e);
        }
    }
}
