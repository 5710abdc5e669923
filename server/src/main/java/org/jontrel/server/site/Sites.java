package org.jontrel.server.site;

import com.zaxxer.hikari.HikariConfig;
import com.zaxxer.hikari.HikariDataSource;
import jakarta.annotation.PreDestroy;
import java.lang.management.ManagementFactory;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.regex.Pattern;
import org.jontrel.core.model.Keys;
import org.jontrel.server.web.Refusal;
import org.jontrel.server.web.Settings;
import org.jontrel.site.Site;
import org.jontrel.site.table.RecordIds;
import org.springframework.boot.jdbc.autoconfigure.DataSourceProperties;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.stereotype.Service;

/** The sites of the installation: which there are, and their engines, each with connections of its own. */
@Service
public class Sites {
    private static final Pattern DATABASE = Pattern.compile("[a-z][a-z0-9_]{0,63}");
    private static final int CONNECTIONS = 12;
    private final SiteMapper mapper;
    private final RecordIds ids;
    private final DataSourceProperties server;
    private final Settings settings;
    private final ConcurrentHashMap<String, Opened> opened = new ConcurrentHashMap<>();

    Sites(SiteMapper mapper, RecordIds ids, DataSourceProperties server, Settings settings) {
        this.mapper = mapper;
        this.ids = ids;
        this.server = server;
        this.settings = settings;
    }

    private record Opened(Site site, HikariDataSource source) {}

    /** A site as it is registered; {@code path} is its address. */
    public record Registered(long workspaceId, String path, String name) {}

    public List<Registered> of(long workspaceId) {
        return mapper.of(workspaceId).stream().map(Sites::registered).toList();
    }

    public Registered get(String path) {
        return find(path).orElseThrow(() -> Refusal.missing("There is no site " + path + "."));
    }

    public Optional<Registered> find(String path) {
        return Optional.ofNullable(mapper.find(path)).map(Sites::registered);
    }

    private static Registered registered(SiteMapper.SiteRow row) {
        return new Registered(row.workspaceId(), row.path(), row.name());
    }

    /** Makes a site with an empty database. */
    public Registered create(long workspaceId, String name) {
        var trimmed = name.strip();
        if (trimmed.isEmpty() || trimmed.length() > 100) {
            throw Refusal.invalid("A site's name has 1 to 100 characters.", List.of());
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
                    mapper.of(workspaceId).size() + 1));
        } catch (DuplicateKeyException _) {
            throw Refusal.conflict("There is already a site at the address " + path + ". Choose another name.", null);
        }
        mapper.createDatabase(database);
        engine(path);
        return get(path);
    }

    /** The engine of a site; opened at its first use. */
    public Site engine(String path) {
        var known = opened.get(path);
        if (known != null) {
            return known.site();
        }
        var row = Optional.ofNullable(mapper.find(path))
                .orElseThrow(() -> Refusal.missing("There is no site " + path + "."));
        return opened.computeIfAbsent(path, _ -> open(row)).site();
    }

    /** The engines that have been used since the start. */
    List<Site> engines() {
        return opened.values().stream().map(Opened::site).toList();
    }

    private Opened open(SiteMapper.SiteRow row) {
        var config = new HikariConfig();
        config.setJdbcUrl(server.getUrl().replaceFirst("^(jdbc:mariadb://[^/]+/)[^?]*", "$1" + row.databaseName()));
        config.setUsername(server.getUsername());
        config.setPassword(server.getPassword());
        config.setPoolName("site-" + row.path());
        config.setMaximumPoolSize(CONNECTIONS);
        config.setMinimumIdle(0);
        // as the engine wants them: set once for a connection, not for each transaction
        config.setAutoCommit(false);
        config.setTransactionIsolation("TRANSACTION_READ_COMMITTED");
        var source = new HikariDataSource(config);
        var owner = ManagementFactory.getRuntimeMXBean().getName();
        var folder = Optional.ofNullable(settings.mediaFolder())
                .filter(each -> !each.isBlank())
                .map(each -> Path.of(each).resolve(row.path()));
        return new Opened(Site.open(source, owner, Duration.ofSeconds(settings.runStaleSeconds()), folder), source);
    }

    @PreDestroy
    void close() {
        opened.values().forEach(each -> each.source().close());
    }
}
