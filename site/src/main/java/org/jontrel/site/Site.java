package org.jontrel.site;

import java.nio.file.Path;
import java.time.Clock;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Optional;
import java.util.function.Supplier;
import javax.sql.DataSource;
import org.jontrel.core.naming.Ids;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.site.drift.SiteDrift;
import org.jontrel.site.importer.Imports;
import org.jontrel.site.media.MediaStore;
import org.jontrel.site.record.RecordStore;
import org.jontrel.site.record.address.MovedPage;
import org.jontrel.site.record.write.SiteUpgrade;
import org.jontrel.site.run.HeldValues;
import org.jontrel.site.run.Runs;
import org.jontrel.site.table.Binding;
import org.jontrel.site.table.Bindings;
import org.jontrel.site.table.Database;
import org.jontrel.site.table.Ddl;
import org.jontrel.site.table.Jdbc;
import org.jontrel.site.table.RecordIds;
import org.jontrel.site.table.Schema;

/** A site: a database of its own with installed definitions and records. Safe for use by many threads. */
public final class Site {
    private final Database database;
    private final Bindings bindings = new Bindings(Runs::heldBySwitch);
    private final RecordStore records;
    private final MediaStore media;
    private final Runs runs;
    private final HeldValues held;
    private final Imports imports;
    private final SiteDrift drift;

    private Site(DataSource source, String owner, Duration stale, Optional<Path> mediaFolder) {
        database = new Database(source);
        var ids = new RecordIds(Clock.systemUTC());
        media = new MediaStore(database, mediaFolder);
        records = new RecordStore(database, bindings, media, ids);
        runs = new Runs(database, bindings, ids, Ids.secure(), owner, stale);
        held = new HeldValues(database, bindings, records, runs);
        drift = new SiteDrift(database, bindings);
        imports = new Imports(database, bindings, media, ids, Ids.secure(), owner, stale);
    }

    /**
     * Opens a site, making its own tables where they are missing.
     *
     * @param owner name of this process, for the lease
     * @param stale silence after which another process's run counts as interrupted
     */
    public static Site open(DataSource source, String owner, Duration stale) {
        return open(source, owner, stale, Optional.empty());
    }

    /** As {@link #open(DataSource, String, Duration)}, with pictures and files in a folder instead of the database. */
    public static Site open(DataSource source, String owner, Duration stale, Optional<Path> mediaFolder) {
        var site = new Site(source, owner, stale, mediaFolder);
        site.database.direct(connection -> {
            var there = Schema.tables(connection).keySet();
            for (var sql : Ddl.ownTables()) {
                // many sites are opened at once after a start, and nearly all of them have their tables
                if (!there.contains(Ddl.made(sql))) {
                    Jdbc.execute(connection, sql);
                }
            }
        });
        SiteUpgrade.run(site.database, site.bindings);
        return site;
    }

    public RecordStore records() {
        return records;
    }

    public MediaStore media() {
        return media;
    }

    public Runs runs() {
        return runs;
    }

    /** What runs took out of use and keep. */
    public HeldValues held() {
        return held;
    }

    /** Rows of workbooks that are brought as records. */
    public Imports imports() {
        return imports;
    }

    /** What is not as the installed definitions say. */
    public SiteDrift drift() {
        return drift;
    }

    /** The installed definitions; version empty and no types where nothing was installed yet. */
    public Binding installed() {
        return bindings.reading(database, (_, binding) -> binding);
    }

    /** Reads all of a page in one transaction, under one binding; nothing may be written within. */
    public <T> T together(Supplier<T> work) {
        return bindings.together(database, work);
    }

    /**
     * Where the page is that was once at an address, when its type has gone or it has become a record of another.
     *
     * @param path the first part of the address
     * @param below what follows it
     */
    public Optional<MovedPage> moved(String path, String below) {
        return bindings.reading(database, (session, binding) -> {
            var connection = session.getConnection();
            var types = new ArrayList<>(Jdbc.query(
                    connection,
                    "SELECT from_id FROM jontrel_redirect WHERE path = ? AND from_id <> ''",
                    row -> row.getString(1),
                    path));
            binding.tables().values().stream()
                    .map(Binding.BoundTables::recordType)
                    .filter(each -> each.path().equals(path))
                    .forEach(each -> types.add(each.id()));
            return MovedPage.find(connection, binding, types, below);
        });
    }

    /** A word for the state of everything that pages and answers are made of: another after each change. */
    public String state() {
        var state = database.transaction(bindings::state);
        return state.generation() + "." + state.passed();
    }

    /** The definition whose pages were once at this path. */
    public Optional<RecordType> redirected(String path) {
        return bindings.reading(
                database,
                (session, binding) -> Jdbc.first(
                                session.getConnection(),
                                "SELECT type_id FROM jontrel_redirect WHERE path = ?",
                                row -> row.getString(1),
                                path)
                        .flatMap(binding::table)
                        .map(Binding.BoundTables::recordType));
    }

    /** Records of a type, terms of a taxonomy, whatever their state. */
    public long count(String recordTypeId) {
        return records.total(recordTypeId);
    }
}
