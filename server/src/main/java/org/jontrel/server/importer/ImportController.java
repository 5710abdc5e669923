package org.jontrel.server.importer;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.io.IOException;
import java.security.Principal;
import java.util.List;
import org.jontrel.core.importer.SheetMapping;
import org.jontrel.core.naming.VisibleText;
import org.jontrel.serve.web.Refusal;
import org.jontrel.server.site.Sites;
import org.jontrel.server.workbook.Workbooks;
import org.jontrel.site.importer.Imports;
import org.jontrel.site.importer.KeptMappings;
import org.jontrel.site.importer.OpenedImport;
import org.jontrel.site.importer.RowChange;
import org.jontrel.site.importer.row.RowOutcome;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
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

/** Rows of workbooks for a site: sent, mapped, looked at and corrected. They are kept for 30 days. */
@RestController
@RequestMapping("/api/sites/{site}/imports")
class ImportController {
    private static final int LONGEST_NAME = 255;
    private final Sites sites;
    private final Workbooks workbooks;

    ImportController(Sites sites, Workbooks workbooks) {
        this.sites = sites;
        this.workbooks = workbooks;
    }

    private Imports imports(String site) {
        return sites.engine(site).imports();
    }

    private OpenedImport opened(String site, long id) {
        return opened(imports(site), id);
    }

    static OpenedImport opened(Imports imports, long id) {
        return imports.open(id)
                .orElseThrow(() -> Refusal.missing("This import is not here any more. Send its workbook again."));
    }

    private ImportViews.ImportDetails details(String site, long id) {
        return details(imports(site), id);
    }

    static ImportViews.ImportDetails details(Imports imports, long id) {
        return ImportViews.ImportDetails.of(opened(imports, id), imports.problems(id));
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
    MappingView.MappedSheet propose(
            @PathVariable String site,
            @PathVariable long id,
            @PathVariable int sheet,
            @Schema(description = "records, rows or skip") @RequestParam String use,
            @Schema(description = "Id or key of the content type or taxonomy") @RequestParam(defaultValue = "")
                    String to) {
        return imports(site)
                .propose(id, sheet, MappingView.one(SheetMapping.SheetUse.class, "use", use), to)
                .map(MappingView.MappedSheet::of)
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
    record TextReplacement(
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
            @Valid @RequestBody TextReplacement body) {
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
    record CellCorrection(int row, int column, @NotNull String text) {}

    /** Corrects one cell, in this import only. */
    @PutMapping("/{id}/sheets/{sheet}/cells")
    ImportViews.ImportProgress correct(
            @PathVariable String site,
            @PathVariable long id,
            @PathVariable int sheet,
            @Valid @RequestBody CellCorrection body) {
        known(site, id, sheet, body.column());
        if (!imports(site).correct(id, sheet, body.row(), body.column(), body.text())) {
            throw overtaken(site, id);
        }
        return progress(site, id);
    }
}
