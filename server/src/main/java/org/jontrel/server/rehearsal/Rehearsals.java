package org.jontrel.server.rehearsal;

import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.CancellationException;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicBoolean;
import org.jontrel.serve.web.Refusal;
import org.jontrel.server.rehearsal.RehearsalMapper.RehearsalRow;
import org.jontrel.server.site.RunTargets;
import org.jontrel.server.site.SiteCopies;
import org.jontrel.server.site.Sites;
import org.jontrel.server.web.Settings;
import org.jontrel.site.copy.SiteCopy;
import org.jontrel.site.run.RunView;
import org.jontrel.site.run.Runs;
import org.jontrel.site.table.RecordIds;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Service;

/**
 * Plans tried on copies: the site is copied while everybody works on it, the run is carried out on the copy, and what came of it
 * is written down. Of each site there is one copy at a time; it is removed by hand, by the next rehearsal, or by time.
 */
@Service
class Rehearsals {
    private static final Logger LOG = LoggerFactory.getLogger(Rehearsals.class);
    /** Silence after which the application that rehearsed counts as gone, in seconds. */
    private static final int SILENT = 60;

    private static final int TOLD = 20;
    /** Records of each type that are looked at where no copy is made, and how long their plan is waited for. */
    private static final int SAMPLED = 200;

    private static final Duration PATIENCE = Duration.ofSeconds(1);
    private static final String UNDER_WAY =
            "A rehearsal of this site is under way. Wait until it has ended, or give it up.";

    private final RehearsalMapper mapper;
    private final Sites sites;
    private final SiteCopies copies;
    private final RunTargets targets;
    private final Trial trial;
    private final RecordIds ids;
    private final Settings settings;
    /** Those under way here, and whether somebody has given them up. */
    private final Map<Long, AtomicBoolean> underWay = new ConcurrentHashMap<>();
    /** Sites whose rehearsal somebody is about to begin. */
    private final Set<String> beginning = ConcurrentHashMap.newKeySet();

    Rehearsals(
            RehearsalMapper mapper,
            Sites sites,
            SiteCopies copies,
            RunTargets targets,
            Trial trial,
            RecordIds ids,
            Settings settings) {
        this.mapper = mapper;
        this.sites = sites;
        this.copies = copies;
        this.targets = targets;
        this.trial = trial;
        this.ids = ids;
        this.settings = settings;
    }

    List<RehearsalRow> of(String site) {
        return mapper.of(sites.get(site).path(), TOLD);
    }

    RehearsalRow get(String site, long id) {
        return Optional.ofNullable(mapper.find(sites.get(site).path(), id))
                .orElseThrow(() -> Refusal.missing("There is no such rehearsal."));
    }

    /** Records as the plan would change them, without a copy. */
    List<RehearsalReport.ChangedRecord> samples(String path, String version) {
        var site = sites.get(path);
        var target = targets.stages(site, version).getFirst();
        return PlannedSamples.of(sites.engine(site.path()).runs().samples(target, PATIENCE, SAMPLED));
    }

    /** Begins; the rest happens in the background. */
    RehearsalRow start(String path, String version, String by) {
        var site = sites.get(path);
        if (!beginning.add(site.path())) {
            throw Refusal.conflict(UNDER_WAY, null);
        }
        try {
            return begin(site, version, by);
        } finally {
            beginning.remove(site.path());
        }
    }

    private RehearsalRow begin(Sites.Registered site, String version, String by) {
        var path = site.path();
        var stages = targets.stages(site, version);
        var engine = sites.engine(path);
        refuseIfPointless(site, engine.runs(), stages.getFirst());
        for (var earlier : mapper.of(site.path(), TOLD)) {
            remove(earlier);
        }
        long id = ids.next();
        var copy = copies.name(site.path());
        mapper.insert(id, site.path(), version, by, copy, SiteCopy.rows(sites.source(site.path())));
        underWay.put(id, new AtomicBoolean());
        Thread.ofVirtual().name("rehearsal-" + id).start(() -> rehearse(id, site.path(), copy, stages, by));
        return get(path, id);
    }

    private void refuseIfPointless(Sites.Registered site, Runs runs, Runs.RunTarget target) {
        if (site.copyOf() != null) {
            throw Refusal.conflict("This is a copy. Rehearse on the site itself.", null);
        }
        if (mapper.underWay(site.path()) > 0) {
            throw Refusal.conflict(UNDER_WAY, null);
        }
        if (runs.last().filter(RunView::isOpen).isPresent()) {
            throw Refusal.conflict("A run is under way on this site. Rehearse when it has ended.", null);
        }
        if (!runs.plan(target).runnable()) {
            throw Refusal.conflict(
                    "The plan has questions that are not answered. Open the plan and answer them.", null);
        }
    }

    private void rehearse(long id, String site, String copy, List<Runs.RunTarget> stages, String by) {
        Runnable heed = () -> heed(id);
        try {
            long copied = trial.copy(id, site, copy, heed);
            mapper.running(id);
            var report = trial.run(copy, copied, stages, by, heed);
            var missed = trial.missed(copy, stages).orElse(null);
            mapper.end(id, "done", missed, RehearsalView.JSON.writeValueAsString(report));
        } catch (CancellationException _) {
            giveUp(id, copy);
        } catch (SiteCopy.CopyBroken e) {
            fail(id, copy, e.getMessage());
        } catch (RuntimeException e) {
            if (isGivenUp(id)) {
                giveUp(id, copy);
            } else {
                LOG.error("The rehearsal {} on a copy of {} stopped", id, site, e);
                fail(id, copy, "It stopped: " + e.getMessage());
            }
        } finally {
            if (underWay.remove(id).get()) {
                // somebody may have asked for that at the very end
                forget(id, copy);
            }
        }
    }

    private boolean isGivenUp(long id) {
        var asked = underWay.get(id);
        return asked == null || asked.get();
    }

    private void heed(long id) {
        if (isGivenUp(id)) {
            throw new CancellationException();
        }
    }

    private void giveUp(long id, String copy) {
        mapper.end(id, "given_up", null, null);
        forget(id, copy);
    }

    private void fail(long id, String copy, String why) {
        mapper.end(id, "failed", why, null);
        forget(id, copy);
    }

    private void forget(long id, String copy) {
        if (copy != null) {
            copies.remove(copy);
        }
        mapper.copyIsGone(id);
    }

    /** Removes the copy; the report stays. What is under way is given up. */
    void remove(RehearsalRow row) {
        var asked = underWay.get(row.id());
        if (asked != null) {
            asked.set(true);
        } else if (row.copyPath() != null && row.finishedAt() != null) {
            forget(row.id(), row.copyPath());
        }
    }

    /** What the plan says now and did not say when it was rehearsed; nothing where the site has gone on to it since. */
    List<String> differences(RehearsalRow row) {
        var report = RehearsalView.report(row);
        var site = sites.get(row.sitePath());
        var engine = sites.engine(row.sitePath());
        if (report.isEmpty() || engine.installed().version().equals(row.version())) {
            return List.of();
        }
        var then = report.get().runs().getFirst().findings();
        return engine.runs().plan(targets.stages(site, row.version()).getFirst()).notes().stream()
                .filter(note -> !then.contains(note))
                .toList();
    }

    @Scheduled(fixedDelayString = "${jontrel.rehearsals-every:PT10S}")
    void tidy() {
        underWay.keySet().forEach(mapper::beat);
        // databases are dropped in a thread of their own: what else happens by schedule need not wait for it
        for (var row : mapper.silent(SILENT)) {
            Thread.ofVirtual()
                    .start(() -> fail(
                            row.id(), row.copyPath(), "The application ended while it rehearsed. Rehearse again."));
        }
        for (var row : mapper.old(settings.rehearsalLifetime().toSeconds())) {
            LOG.info("The copy {} is removed: its time is over", row.copyPath());
            Thread.ofVirtual().start(() -> forget(row.id(), row.copyPath()));
        }
    }
}
