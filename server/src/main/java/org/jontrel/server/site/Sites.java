package org.jontrel.server.site;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import jakarta.annotation.PreDestroy;
import java.lang.management.ManagementFactory;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.regex.Pattern;
import javax.sql.DataSource;
import org.jontrel.core.naming.Keys;
import org.jontrel.serve.database.DatabaseProbe;
import org.jontrel.serve.database.SiteConnections;
import org.jontrel.serve.site.ServedSite;
import org.jontrel.serve.site.ServedSites;
import org.jontrel.serve.site.SiteSettings;
import org.jontrel.serve.web.Refusal;
import org.jontrel.server.web.Settings;
import org.jontrel.site.Site;
import org.jontrel.site.table.RecordIds;
import org.springframework.boot.jdbc.autoconfigure.DataSourceProperties;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.stereotype.Service;

/** The sites of the installation: which there are, and their engines, each with connections of its own. */
@Service
public class Sites implements ServedSites {
    private static final Pattern DATABASE = Pattern.compile("[a-z][a-z0-9_]{0,63}");
    private final SiteMapper mapper;
    private final RecordIds ids;
    private final Settings settings;
    private final SiteConnections connections;

    /** The engines by the path of their site as it is stored, never as somebody typed it. */
    private final ConcurrentHashMap<String, Site> opened = new ConcurrentHashMap<>();
    /** Sites seldom change; another process may have changed one since. */
    private final Cache<String, SiteMapper.SiteRow> rows = Caffeine.newBuilder()
            .maximumSize(10_000)
            .expireAfterWrite(Duration.ofMinutes(1))
            .build();

    Sites(SiteMapper mapper, RecordIds ids, DataSourceProperties server, DatabaseProbe probe, Settings settings) {
        this.mapper = mapper;
        this.ids = ids;
        this.settings = settings;
        this.connections = new SiteConnections(server, probe);
    }

    /**
     * A site as it is registered.
     *
     * @param path its address
     * @param copyOf the path of the site that it is a copy of, or {@code null}
     */
    public record Registered(long workspaceId, String path, String name, SiteSettings settings, String copyOf)
            implements ServedSite {}

    public List<Registered> of(long workspaceId) {
        return mapper.of(workspaceId).stream().map(Sites::registered).toList();
    }

    @Override
    public Registered get(String path) {
        return find(path).orElseThrow(() -> ServedSites.missing(path));
    }

    @Override
    public Optional<Registered> find(String path) {
        return row(path).map(Sites::registered);
    }

    /** The database takes other spellings for the same word (capitals, accents, signs without width); an address is exact. */
    private Optional<SiteMapper.SiteRow> row(String path) {
        var known = rows.getIfPresent(path);
        if (known != null) {
            return Optional.of(known);
        }
        var found =
                Optional.ofNullable(mapper.find(path)).filter(row -> row.path().equals(path));
        found.ifPresent(row -> rows.put(path, row));
        return found;
    }

    private static Registered registered(SiteMapper.SiteRow row) {
        return new Registered(
                row.workspaceId(),
                row.path(),
                row.name(),
                new SiteSettings(row.look(), row.address(), row.unlisted()),
                row.copyOf());
    }

    /** Settings hold at once here, and within a minute in other processes. */
    public Registered set(String path, SiteSettings settings) {
        mapper.set(get(path).path(), settings);
        rows.invalidate(path);
        return get(path);
    }

    /** Makes a site with an empty database. */
    public Registered create(long workspaceId, String name) {
        var trimmed = name.strip();
        if (trimmed.isEmpty() || trimmed.length() > 100) {
            throw Refusal.invalid("The name of a site must have 1 to 100 characters.", List.of());
        }
        var path = Keys.pathFrom(trimmed);
        var database = mapper.database() + "_site_" + path.replace('-', '_');
        if (!DATABASE.matcher(database).matches()) {
            throw Refusal.invalid(
                    "This name gives the database name " + database + ", which is too long. Choose a shorter one.",
                    List.of());
        }
        try {
            mapper.insert(new SiteMapper.SiteRow(
                    ids.next(),
                    workspaceId,
                    path,
                    trimmed,
                    database,
                    mapper.of(workspaceId).size() + 1,
                    SiteSettings.USUAL.look(),
                    SiteSettings.USUAL.address(),
                    SiteSettings.USUAL.unlisted(),
                    null));
        } catch (DuplicateKeyException _) {
            throw taken(path);
        }
        mapper.createDatabase(database);
        engine(path);
        return get(path);
    }

    /**
     * Makes a database that was filled elsewhere a site.
     *
     * @throws Refusal where there is a site at this address
     */
    public Registered adopt(long workspaceId, ServedSite site, String database) {
        try {
            mapper.insert(new SiteMapper.SiteRow(
                    ids.next(),
                    workspaceId,
                    site.path(),
                    site.name(),
                    database,
                    mapper.of(workspaceId).size() + 1,
                    site.settings().look(),
                    site.settings().address(),
                    site.settings().unlisted(),
                    null));
        } catch (DuplicateKeyException _) {
            throw taken(site.path());
        }
        return get(site.path());
    }

    private static Refusal taken(String path) {
        return Refusal.conflict("There is already a site at the address " + path + ". Choose another name.", null);
    }

    /** Connections to the database of a site. */
    public DataSource source(String path) {
        return connections.to(
                row(path).orElseThrow(() -> ServedSites.missing(path)).databaseName());
    }

    /** Connections to a database that need not be a site's yet. */
    DataSource database(String name) {
        return connections.to(name);
    }

    /** After a site is gone. */
    void forget(String path) {
        rows.invalidate(path);
        opened.remove(path);
    }

    /** Where a site keeps pictures and files; empty where they are in its database. */
    public Optional<Path> mediaFolder(String path) {
        return Optional.ofNullable(settings.mediaFolder())
                .filter(each -> !each.isBlank())
                .map(each -> Path.of(each).resolve(path));
    }

    /** The engine of a site; opened at its first use. */
    @Override
    public Site engine(String path) {
        var known = opened.get(path);
        if (known != null) {
            return known;
        }
        var row = row(path).orElseThrow(() -> ServedSites.missing(path));
        return opened.computeIfAbsent(row.path(), _ -> open(row));
    }

    /** Those that have been used since the start. */
    @Override
    public List<Site> engines() {
        return List.copyOf(opened.values());
    }

    private Site open(SiteMapper.SiteRow row) {
        var owner = ManagementFactory.getRuntimeMXBean().getName();
        return Site.open(
                connections.to(row.databaseName()),
                owner,
                Duration.ofSeconds(settings.runStaleSeconds()),
                mediaFolder(row.path()));
    }

    @PreDestroy
    void close() {
        connections.close();
    }
}
