package org.jontrel.server.importer;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.io.IOException;
import java.security.Principal;
import java.util.List;
import java.util.function.LongFunction;
import org.jontrel.core.importer.SheetMapping;
import org.jontrel.core.naming.VisibleText;
import org.jontrel.serve.web.Refusal;
import org.jontrel.server.site.Sites;
import org.jontrel.server.trail.Trail;
import org.jontrel.server.trail.TrailAction;
import org.jontrel.server.workbook.Workbooks;
import org.jontrel.site.importer.ImportOutcome;
import org.jontrel.site.importer.Imports;
import org.jontrel.site.importer.KeptMappings;
import org.jontrel.site.importer.OpenedImport;
import org.jontrel.site.importer.RowChange;
import org.jontrel.site.importer.UndoCounts;
import org.jontrel.site.importer.row.RowOutcome;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;

/** Rows of workbooks brought onto a site: sent, mapped, tried, run, undone. They are kept for 30 days. */
@RestController
@RequestMapping("/api/sites/{site}/imports")
class ImportController {
    private static final Logger LOG = LoggerFactory.getLogger(ImportController.class);
    private static final int LONGEST_NAME = 255;
    private final Sites sites;
    private final Workbooks workbooks;
    private final Trail trail;

    ImportController(Sites sites, Workbooks workbooks, Trail trail) {
        this.sites = sites;
        this.workbooks = workbooks;
        this.trail = trail;
    }

    private Imports imports(String site) {
        return sites.engine(site).imports();
    }

    private OpenedImport opened(String site, long id) {
        return imports(site)
                .open(id)
                .orElseThrow(() -> Refusal.missing("This import is not here any more. Send its workbook again."));
    }

    private ImportViews.ImportDetails details(String site, long id) {
        return ImportViews.ImportDetails.of(opened(site, id), imports(site).problems(id));
    }

    private ImportViews.ImportProgress progress(String site, long id) {
        return ImportViews.ImportProgress.of(opened(site, id).view());
    }

    /** The imports of the last 30 days, the newest first. */
    @GetMapping
    List<ImportViews.ImportProgress> all(@PathVariable String site) {
        return imports(site).all().stream().map(ImportViews.ImportProgress::of).toList();
    }

    /** Reads the rows of workbooks: text with separators in any encoding, XLSX or ODS. No record is made or changed. */
    @PostMapping(consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    @ResponseStatus(HttpStatus.CREATED)
    ImportViews.ImportDetails send(
            @PathVariable String site,
            @RequestParam("file") List<MultipartFile> files,
            @Schema(description = "Name of a mapping that is kept with the site; where left out, one is proposed")
                    @RequestParam(defaultValue = "")
                    String mapping,
            Principal principal)
            throws IOException, InterruptedException {
        var imports = imports(site);
        var kept = mapping.isBlank()
                ? null
                : imports.mappings()
                        .find(mapping)
                        .map(KeptMappings.NamedMapping::mapping)
                        .orElseThrow(() -> MappingController.missing(mapping));
        long id = workbooks.opened(
                files,
                (name, sheets, findings) -> imports.create(
                        VisibleText.start(VisibleText.of(name), LONGEST_NAME),
                        sheets,
                        kept,
                        findings,
                        principal.getName()));
        return details(site, id);
    }

    @GetMapping("/{id}")
    ImportViews.ImportDetails one(@PathVariable String site, @PathVariable long id) {
        return details(site, id);
    }

    /** How far it is; asked for again and again while it is worked on. */
    @GetMapping("/{id}/progress")
    ImportViews.ImportProgress far(@PathVariable String site, @PathVariable long id) {
        return progress(site, id);
    }

    /** Forgets an import: what it brought stays, and cannot be undone any more. */
    @DeleteMapping("/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void delete(@PathVariable String site, @PathVariable long id) {
        opened(site, id);
        if (!imports(site).delete(id)) {
            throw Refusal.conflict("This import is not at its end. Wait, or undo it, before it is forgotten.", null);
        }
    }

    /** Says where its rows go. */
    @PutMapping("/{id}/mapping")
    ImportViews.ImportDetails map(
            @PathVariable String site,
            @PathVariable long id,
            @Schema(description = "That was looked at; nothing is stored where somebody said something else since")
                    @RequestParam
                    int revision,
            @Valid @RequestBody MappingView mapping) {
        opened(site, id);
        if (!imports(site).map(id, revision, mapping.mapping())) {
            throw overtaken(site, id);
        }
        return details(site, id);
    }

    private Refusal overtaken(String site, long id) {
        return Refusal.conflict(
                "Somebody changed this import meanwhile, or it is under way. Look at it again.", details(site, id));
    }

    /** The mapping that a sheet would have, where its rows are these. */
    @GetMapping("/{id}/sheets/{sheet}/proposal")
    MappingView.SheetView propose(
            @PathVariable String site,
            @PathVariable long id,
            @PathVariable int sheet,
            @Schema(description = "records, rows or skip") @RequestParam String use,
            @Schema(description = "Id or key of the content type or taxonomy") @RequestParam(defaultValue = "")
                    String to) {
        return imports(site)
                .propose(id, sheet, MappingView.one(SheetMapping.SheetUse.class, "use", use), to)
                .map(MappingView.SheetView::of)
                .orElseThrow(
                        () -> Refusal.missing("There is no such sheet, or no content type or taxonomy “" + to + "”."));
    }

    /** Rows of a sheet behind a row, with what became of them and what is wrong. */
    @GetMapping("/{id}/sheets/{sheet}/rows")
    List<ImportViews.ImportedRow> rows(
            @PathVariable String site,
            @PathVariable long id,
            @PathVariable int sheet,
            @Schema(description = "new, changed, same, left or failed; all where left out")
                    @RequestParam(defaultValue = "")
                    String outcome,
            @RequestParam(defaultValue = "0") int after,
            @Schema(description = "At most 500") @RequestParam(defaultValue = "50") int most) {
        opened(site, id);
        return imports(site)
                .rows(id, sheet, MappingView.one(RowOutcome.class, "outcome", outcome), after, most)
                .stream()
                .map(ImportViews.ImportedRow::of)
                .toList();
    }

    /** What some rows would change in their records, as these are now. */
    @GetMapping("/{id}/sheets/{sheet}/changes")
    List<RowChange> changes(
            @PathVariable String site,
            @PathVariable long id,
            @PathVariable int sheet,
            @Schema(description = "Numbers of rows, at most 100") @RequestParam List<Integer> rows) {
        opened(site, id);
        return imports(site).changes(id, sheet, rows.stream().limit(100).toList());
    }

    /** Reads a text in a column as another. */
    record Replacement(
            int column,

            @NotNull String text,

            @Schema(description = "Empty where nothing is meant") @NotNull
            String as) {}

    /** Reads a text in a column as another from now on, in this import and wherever its mapping is used. */
    @PutMapping("/{id}/sheets/{sheet}/replacements")
    ImportViews.ImportDetails replace(
            @PathVariable String site,
            @PathVariable long id,
            @PathVariable int sheet,
            @Valid @RequestBody Replacement body) {
        known(site, id, sheet, body.column());
        if (!imports(site).replace(id, sheet, body.column(), body.text(), body.as())) {
            throw overtaken(site, id);
        }
        return details(site, id);
    }

    private void known(String site, long id, int sheet, int column) {
        var sheets = opened(site, id).facts().sheets();
        boolean known = sheet >= 0
                && sheet < sheets.size()
                && sheets.get(sheet).columns().stream().anyMatch(each -> each.index() == column);
        if (!known) {
            throw Refusal.missing("The workbook has no such sheet, or no such column.");
        }
    }

    /** A cell that becomes another. */
    record Correction(int row, int column, @NotNull String text) {}

    /** Corrects one cell, in this import only. */
    @PutMapping("/{id}/sheets/{sheet}/cells")
    ImportViews.ImportProgress correct(
            @PathVariable String site,
            @PathVariable long id,
            @PathVariable int sheet,
            @Valid @RequestBody Correction body) {
        known(site, id, sheet, body.column());
        if (!imports(site).correct(id, sheet, body.row(), body.column(), body.text())) {
            throw overtaken(site, id);
        }
        return progress(site, id);
    }

    /** Finds out what would become of each row. No record is made or changed. */
    @PostMapping("/{id}/try")
    @ResponseStatus(HttpStatus.ACCEPTED)
    ImportViews.ImportProgress tryOut(@PathVariable String site, @PathVariable long id) {
        return begin(site, id, imports(site)::tryOut);
    }

    /** Brings the rows that can be brought, after a trial where none was made; or goes on where it was paused. */
    @PostMapping("/{id}/run")
    @ResponseStatus(HttpStatus.ACCEPTED)
    ImportViews.ImportProgress run(@PathVariable String site, @PathVariable long id) {
        var begun = begin(site, id, imports(site)::run);
        trail.add(TrailAction.RECORDS_IMPORTED, "site " + site + ", " + begun.name());
        return begun;
    }

    /** Stops a trial, or a run at the next place from where it can go on or back. */
    @PostMapping("/{id}/pause")
    @ResponseStatus(HttpStatus.ACCEPTED)
    ImportViews.ImportProgress pause(@PathVariable String site, @PathVariable long id) {
        opened(site, id);
        if (!imports(site).pause(id)) {
            throw Refusal.conflict("This import is not under way.", null);
        }
        return progress(site, id);
    }

    /** What undoing would do now. */
    @GetMapping("/{id}/undo-plan")
    UndoCounts undoPlan(@PathVariable String site, @PathVariable long id) {
        return imports(site)
                .undoPlan(id)
                .orElseThrow(() -> Refusal.conflict("This import has brought nothing that could be undone.", null));
    }

    /** Takes back what it brought, but for what somebody has changed since. */
    @PostMapping("/{id}/undo")
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
                throw Refusal.conflict("This import is not in a state in which that can be done.", details(site, id));
        };
    }

    /** The rows that could not be brought, with their reasons, to be corrected and sent again. */
    @GetMapping("/{id}/failed.xlsx")
    ResponseEntity<StreamingResponseBody> failed(@PathVariable String site, @PathVariable long id) {
        var rows = new FailedRows(imports(site), opened(site, id));
        return download(
                "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet", "not-brought.xlsx", rows::xlsx);
    }

    /** Those of one sheet, as text with commas. */
    @GetMapping("/{id}/sheets/{sheet}/failed.csv")
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
