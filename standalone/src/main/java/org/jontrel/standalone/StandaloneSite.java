package org.jontrel.standalone;

import java.io.IOException;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import org.jontrel.serve.database.SiteConnections;
import org.jontrel.serve.site.ServedSite;
import org.jontrel.serve.site.ServedSites;
import org.jontrel.site.Site;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** The one site that is served here, and what keeps its definitions and tokens as their files say. */
final class StandaloneSite implements ServedSites {
    private static final Logger LOG = LoggerFactory.getLogger(StandaloneSite.class);
    private final CompletableFuture<OpenedSite> opened;
    private final TokensFile tokens;
    private final ExecutorService work = Executors.newSingleThreadExecutor(
            Thread.ofPlatform().daemon().name("definitions").factory());

    /** @param opened before anybody is let in: meanwhile the web server is made ready */
    StandaloneSite(CompletableFuture<OpenedSite> opened, TokensFile tokens) {
        this.opened = opened;
        this.tokens = tokens;
    }

    /**
     * A site whose database has definitions.
     *
     * @param installer of newer ones
     * @param connections to it
     */
    record OpenedSite(ServedSite site, Site engine, PackageInstaller installer, SiteConnections connections) {}

    @Override
    public Optional<ServedSite> find(String path) {
        return path.equals(served().path()) ? Optional.of(served()) : Optional.empty();
    }

    @Override
    public Site engine(String path) {
        return find(path).map(_ -> opened.join().engine()).orElseThrow(() -> ServedSites.missing(path));
    }

    @Override
    public List<Site> engines() {
        return isOpen() ? List.of(opened.join().engine()) : List.of();
    }

    private boolean isOpen() {
        return opened.isDone() && !opened.isCompletedExceptionally();
    }

    ServedSite served() {
        return opened.join().site();
    }

    String version() {
        return opened.join().engine().installed().version();
    }

    DefinitionsState definitions() {
        return opened.join().installer().state();
    }

    /** Waits until what was asked for is done. */
    void settle() throws InterruptedException {
        try {
            work.submit(() -> {}).get();
        } catch (ExecutionException e) {
            throw new IllegalStateException(e);
        }
    }

    /** Once nobody asks any more. */
    void close() {
        work.shutdownNow();
        opened.join().connections().close();
    }

    TokensFile tokens() {
        return tokens;
    }

    /** Reads package and tokens again, and returns at once; what is served meanwhile, or where they are no good, stays. */
    void reload() {
        work.execute(() -> {
            try {
                tokens.read();
            } catch (IOException e) {
                LOG.error("The tokens stay as they were: {}", e.getMessage());
            }
            bring();
        });
    }

    /** What another process over this database has left in the middle is carried on, as long as somebody serves it. */
    void carryOn() {
        if (isOpen() && opened.join().installer().hasLeftRun()) {
            bringLater();
        }
    }

    /** Brings the definitions of the package, as those served at the start may be older. */
    void bringLater() {
        work.execute(this::bring);
    }

    private void bring() {
        try {
            opened.join().installer().install();
            LOG.info("Version {} is served", version());
        } catch (PackageRefused e) {
            LOG.error(
                    "The package is not taken, and version {} is served on: {}",
                    version(),
                    String.join("\n", e.problems()));
        } catch (RuntimeException e) {
            LOG.error("The package is not taken", e);
        }
    }
}
