package org.jontrel.server.importer;

import java.util.function.LongFunction;
import org.jontrel.serve.web.Refusal;
import org.jontrel.server.site.Sites;
import org.jontrel.server.trail.Trail;
import org.jontrel.server.trail.TrailAction;
import org.jontrel.site.importer.ImportOutcome;
import org.jontrel.site.importer.Imports;
import org.jontrel.site.importer.OpenedImport;
import org.jontrel.site.importer.UndoCounts;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;

/** The work on imports: tried, run, paused, undone; and the rows that could not be brought. */
@RestController
@RequestMapping("/api/sites/{site}/imports/{id}")
class ImportWorkController {
    private static final Logger LOG = LoggerFactory.getLogger(ImportWorkController.class);
    private final Sites sites;
    private final Trail trail;

    ImportWorkController(Sites sites, Trail trail) {
        this.sites = sites;
        this.trail = trail;
    }

    private Imports imports(String site) {
        return sites.engine(site).imports();
    }

    private OpenedImport opened(String site, long id) {
        return ImportController.opened(imports(site), id);
    }

    private ImportViews.ImportProgress progress(String site, long id) {
        return ImportViews.ImportProgress.of(opened(site, id).view());
    }

    /** Finds out what would become of each row. No record is made or changed. */
    @PostMapping("/try")
    @ResponseStatus(HttpStatus.ACCEPTED)
    ImportViews.ImportProgress tryOut(@PathVariable String site, @PathVariable long id) {
        return begin(site, id, imports(site)::tryOut);
    }

    /** Brings the rows that can be brought, after a trial where none was made; or goes on where it was paused. */
    @PostMapping("/run")
    @ResponseStatus(HttpStatus.ACCEPTED)
    ImportViews.ImportProgress run(@PathVariable String site, @PathVariable long id) {
        var begun = begin(site, id, imports(site)::run);
        trail.add(TrailAction.RECORDS_IMPORTED, "site " + site + ", " + begun.name());
        return begun;
    }

    /** Stops a trial, or a run at the next place from where it can go on or back. */
    @PostMapping("/pause")
    @ResponseStatus(HttpStatus.ACCEPTED)
    ImportViews.ImportProgress pause(@PathVariable String site, @PathVariable long id) {
        opened(site, id);
        if (!imports(site).pause(id)) {
            throw Refusal.conflict("This import is not under way.", null);
        }
        return progress(site, id);
    }

    /** What undoing would do now. */
    @GetMapping("/undo-plan")
    UndoCounts undoPlan(@PathVariable String site, @PathVariable long id) {
        return imports(site)
                .undoPlan(id)
                .orElseThrow(() -> Refusal.conflict("This import has brought nothing that could be undone.", null));
    }

    /** Takes back what it brought, but for what somebody has changed since. */
    @PostMapping("/undo")
    @ResponseStatus(HttpStatus.ACCEPTED)
    ImportViews.ImportProgress undo(@PathVariable String site, @PathVariable long id) {
        var begun = begin(site, id, imports(site)::undo);
        trail.add(TrailAction.IMPORT_UNDONE, "site " + site + ", " + begun.name());
        return begun;
    }

    private ImportViews.ImportProgress begin(String site, long id, LongFunction<ImportOutcome> asking) {
        opened(site, id);
        return switch (asking.apply(id)) {
            case ImportOutcome.ImportStarted started -> {
                Thread.ofVirtual().name("import-" + id).start(() -> {
                    try {
                        started.work().run();
                    } catch (RuntimeException e) {
                        LOG.error("Import {} stopped", id, e);
                    }
                });
                yield progress(site, id);
            }
            case ImportOutcome.UnfitMapping(var findings) ->
                throw Refusal.invalid("The mapping cannot be carried out.", findings);
            case ImportOutcome.BusySite _ ->
                throw Refusal.conflict("Another import is under way on this site. Wait until it has ended.", null);
            case ImportOutcome.NothingToImport _ ->
                throw Refusal.conflict(
                        "This import is not in a state in which that can be done.",
                        ImportController.details(imports(site), id));
        };
    }

    /** The rows that could not be brought, with their reasons, to be corrected and sent again. */
    @GetMapping("/failed.xlsx")
    ResponseEntity<StreamingResponseBody> failed(@PathVariable String site, @PathVariable long id) {
        var rows = new FailedRows(imports(site), opened(site, id));
        return download(
                "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet", "not-brought.xlsx", rows::xlsx);
    }

    /** Those of one sheet, as text with commas. */
    @GetMapping("/sheets/{sheet}/failed.csv")
    ResponseEntity<StreamingResponseBody> failed(
            @PathVariable String site, @PathVariable long id, @PathVariable int sheet) {
        var opened = opened(site, id);
        if (sheet < 0 || sheet >= opened.facts().sheets().size()) {
            throw Refusal.missing("The workbook has no such sheet.");
        }
        var rows = new FailedRows(imports(site), opened);
        return download("text/csv; charset=utf-8", "not-brought.csv", out -> rows.csv(sheet, out));
    }

    private static ResponseEntity<StreamingResponseBody> download(
            String type, String name, StreamingResponseBody body) {
        return ResponseEntity.ok()
                .header("Content-Type", type)
                .header(
                        "Content-Disposition",
                        ContentDisposition.attachment().filename(name).build().toString())
                .body(body);
    }
}
