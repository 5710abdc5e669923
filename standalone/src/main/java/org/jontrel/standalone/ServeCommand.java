package org.jontrel.standalone;

import com.zaxxer.hikari.pool.HikariPool.PoolInitializationException;
import java.io.IOException;
import java.lang.management.ManagementFactory;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import java.util.logging.Level;
import java.util.logging.Logger;
import org.jontrel.serve.database.DatabaseProbe;
import org.jontrel.serve.database.SiteConnections;
import org.jontrel.site.Site;
import org.jontrel.site.table.DatabaseException;
import org.slf4j.LoggerFactory;
import org.slf4j.bridge.SLF4JBridgeHandler;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.jdbc.autoconfigure.DataSourceProperties;
import org.springframework.boot.logging.LoggingSystem;
import org.springframework.boot.web.server.PortInUseException;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.context.support.GenericApplicationContext;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

@Command(
        name = "jontrel-site",
        mixinStandardHelpOptions = true,
        version = "Jontrel 0.1.0",
        description = {
            "Serves a site from a package of definitions and a MariaDB database: pages, content API, pictures and files. The"
                    + " database is brought to what the package says, with the answers in its migrations/; where that cannot"
                    + " be, the site stays as it is, and /health says why.",
            "",
            "A signal (kill -HUP) has package and tokens read again.",
            ""
        },
        footer = {
            "",
            "Exit codes: 1 where there is nothing to serve or a plan cannot run, 2 for wrong use or no database, 3 where --plan"
                    + " finds open questions."
        })
final class ServeCommand implements Callable<Integer>, AutoCloseable {
    static final int SERVING = -1;
    static final int REFUSED = 1;
    static final int WRONG_USE = 2;
    static final int ASKS = 3;

    private static final Duration STALE = Duration.ofSeconds(6);

    @Spec
    private CommandSpec spec;

    private ConfigurableApplicationContext context;

    @Parameters(
            paramLabel = "PACKAGE",
            arity = "0..1",
            description =
                    "A folder with package.yaml; a zip, beside which a higher version is looked for; or a folder of zips,"
                            + " of which the highest version is taken.")
    private Path path;

    @Option(names = "--port", description = "Default: ${DEFAULT-VALUE}", defaultValue = "${env:JONTREL_PORT:-8080}")
    private int port;

    @Option(
            names = "--listen",
            paramLabel = "ADDRESS",
            description = "Default: ${DEFAULT-VALUE}",
            defaultValue = "${env:JONTREL_ADDRESS:-127.0.0.1}")
    private String listen;

    @Mixin
    private DatabaseOptions options;

    @Mixin
    private SiteOptions site;

    @Option(names = "--tokens", paramLabel = "FILE", description = "The tokens of programs; see the command token.")
    private Path tokensFile;

    @Option(
            names = "--media-folder",
            paramLabel = "FOLDER",
            description = "Where pictures and files are, if not in the database.")
    private Path mediaFolder;

    @Option(
            names = "--proxy",
            paramLabel = "ADDRESS",
            description = "A proxy in front, whose word on clients is believed.")
    private List<String> proxies = new ArrayList<>();

    @Option(
            names = "--requests-a-minute",
            description = "That one address may send to the content API. Default: ${DEFAULT-VALUE}",
            defaultValue = "600")
    private int requestsAMinute;

    @Option(names = "--plan", description = "Say what would be done to the database, and do nothing.")
    private boolean plan;

    StandaloneSite site() {
        return context.getBean(StandaloneSite.class);
    }

    /** Ends what is served. */
    @Override
    public void close() {
        if (context != null) {
            context.close();
        }
    }

    @Override
    public Integer call() throws IOException {
        if (path == null) {
            throw new ParameterException(spec.commandLine(), "Say which PACKAGE to serve: a folder or a zip.");
        }
        var tokens = new TokensFile(tokensFile);
        tokens.read();
        site.check();
        var database = options.database();
        if (!plan) {
            return serve(tokens, database);
        }
        try (var connections = new SiteConnections(database, new DatabaseProbe(database))) {
            return plan(new PackageInstaller(open(connections), new PackagePlace(path)));
        } catch (RuntimeException e) {
            return refused(e);
        }
    }

    /** Says why there is nothing to serve. */
    private int refused(Throwable thrown) throws IOException {
        return switch (thrown) {
            case PackageRefused refused -> {
                refused.problems().forEach(this::err);
                err("The database has no definitions yet, so there is nothing to serve.");
                yield REFUSED;
            }
            case IOException e -> throw e;
            case CompletionException e -> refused(e.getCause());
            case DatabaseException e -> noDatabase(e);
            case PoolInitializationException e -> noDatabase(e);
            case RuntimeException e -> throw e;
            default -> throw new IllegalStateException(thrown);
        };
    }

    private int noDatabase(Throwable thrown) {
        err("The database cannot be used: " + reason(thrown)
                + ". The options --database, --database-user and"
                + " --password-file say which it is; its address names the site's own database.");
        return WRONG_USE;
    }

    private static String reason(Throwable thrown) {
        var cause = thrown;
        while (cause.getCause() != null) {
            cause = cause.getCause();
        }
        return String.valueOf(cause.getMessage()).replaceAll("\\s+", " ").replaceAll("\\.$", "");
    }

    private Site open(SiteConnections connections) {
        var owner = ManagementFactory.getRuntimeMXBean().getName();
        return Site.open(connections.here(), owner, STALE, Optional.ofNullable(mediaFolder));
    }

    private int plan(PackageInstaller installer) {
        try {
            var text = installer.plan();
            var out = spec.commandLine().getOut();
            text.steps().forEach(out::println);
            text.problems().forEach(out::println);
            if (text.steps().isEmpty() && text.plan().runnable()) {
                out.println("The database has this already.");
            }
            return text.asks() ? ASKS : text.plan().runnable() ? 0 : REFUSED;
        } catch (PackageRefused e) {
            e.problems().forEach(this::err);
            return REFUSED;
        }
    }

    private void err(String sentence) {
        spec.commandLine().getErr().println("jontrel-site: " + sentence);
    }

    /** The database is opened while the web server is made ready. */
    private int serve(TokensFile tokens, DataSourceProperties database) throws IOException {
        LoggerFactory.getILoggerFactory();
        var opened = CompletableFuture.supplyAsync(() -> {
            try {
                return opened(database);
            } catch (IOException | PackageRefused e) {
                throw new CompletionException(e);
            }
        });
        var served = new StandaloneSite(opened, tokens);
        try {
            start(served, database);
        } catch (PortInUseException _) {
            throw new IOException("Port " + port + " is taken. Give another with --port.");
        } catch (RuntimeException e) {
            return refused(opened.isCompletedExceptionally() ? opened.exceptionNow() : e);
        }
        if (served.definitions().state() != DefinitionsState.PackageState.SERVED) {
            served.bringLater();
        }
        if (!ReloadSignal.on(served::reload)) {
            err("The signal HUP is ignored, as under nohup: a new package is taken at the next start only. Start with"
                    + " setsid, or with env --default-signal=HUP before java, to have it taken on a signal.");
        }
        spec.commandLine()
                .getOut()
                .println("The site is served at http://" + listen + ":" + port + "/at/"
                        + served.served().path() + "/");
        return SERVING;
    }

    /** An empty database gets its definitions before anybody is let in; one that has some is served from the first moment. */
    private StandaloneSite.OpenedSite opened(DataSourceProperties database) throws IOException, PackageRefused {
        var connections = new SiteConnections(database, new DatabaseProbe(database));
        var engine = open(connections);
        var place = new PackagePlace(path);
        var installer = new PackageInstaller(engine, place);
        if (engine.installed().version().isEmpty()) {
            installer.install();
        }
        return new StandaloneSite.OpenedSite(site.described(place), engine, installer, connections);
    }

    private void start(StandaloneSite served, DataSourceProperties database) {
        // its own file says how it logs, and the database logs while this begins
        System.setProperty(LoggingSystem.SYSTEM_PROPERTY, LoggingSystem.NONE);
        SLF4JBridgeHandler.removeHandlersForRootLogger();
        SLF4JBridgeHandler.install();
        Logger.getLogger("").setLevel(Level.WARNING);
        var application = new SpringApplication(StandaloneApplication.class);
        application.setDefaultProperties(Map.of(
                "server.port",
                port,
                "server.address",
                listen,
                "jontrel.requests-a-minute",
                requestsAMinute,
                "jontrel.proxies",
                proxies,
                "spring.datasource.url",
                database.getUrl(),
                "spring.datasource.username",
                database.getUsername(),
                "spring.datasource.password",
                database.getPassword()));
        application.addInitializers(
                context -> ((GenericApplicationContext) context).registerBean(StandaloneSite.class, () -> served));
        context = application.run();
    }
}
