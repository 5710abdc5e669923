package org.jontrel.server.importer;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.IntStream;
import org.jontrel.core.importer.CellProblem;
import org.jontrel.core.importer.ColumnNames;
import org.jontrel.core.sheet.ColumnFacts;
import org.jontrel.core.sheet.SheetFacts;
import org.jontrel.core.sheet.SheetRow;
import org.jontrel.serve.web.FindingView;
import org.jontrel.site.importer.ImportView;
import org.jontrel.site.importer.OpenedImport;
import org.jontrel.site.importer.row.ImportRows;
import org.jontrel.site.importer.row.RowOutcome;

/** Imports, as HTTP answers with them. */
final class ImportViews {
    private ImportViews() {}

    /** How far an import is. */
    @Schema(
            requiredProperties = {
                "id",
                "name",
                "state",
                "revision",
                "tried",
                "interrupted",
                "phase",
                "done",
                "total",
                "by",
                "madeAt",
                "message"
            })
    record ImportProgress(
            long id,
            String name,

            @Schema(
                    description =
                            "ready, trying, tried, running, paused, done, undoing or undone; reading while its rows are read")
            String state,

            @Schema(description = "Counts what was said of it: its mapping, its answers, its corrections")
            int revision,

            @Schema(description = "Whether its last trial is of what is said of it now")
            boolean tried,

            boolean interrupted,

            @Schema(description = "What is being done: index, write, settle, mark, restore or remove; else empty")
            String phase,

            @Schema(description = "In rows; a trial goes through them twice")
            long done,

            long total,
            String by,
            Instant madeAt,
            Instant begunAt,
            Instant endedAt,

            @Schema(description = "Why it stopped; else empty")
            String message) {
        static ImportProgress of(ImportView view) {
            return new ImportProgress(
                    view.id(),
                    view.name(),
                    view.state().code(),
                    view.revision(),
                    view.tried(),
                    view.interrupted(),
                    view.phase(),
                    view.done(),
                    view.total(),
                    view.by(),
                    view.madeAt(),
                    view.begunAt().orElse(null),
                    view.endedAt().orElse(null),
                    view.message());
        }
    }

    /** An import with all that is said of it. */
    @Schema(requiredProperties = {"progress", "sheets", "mapping", "files", "findings", "problems"})
    record ImportDetails(
            ImportProgress progress,
            List<ImportedSheet> sheets,
            MappingView mapping,

            @Schema(description = "What somebody should know of the files")
            List<FindingView> files,

            @Schema(description = "What keeps it from being tried, and what somebody should know of the mapping")
            List<FindingView> findings,

            @Schema(description = "The most frequent ones of the last trial or run")
            List<ProblemGroup> problems) {
        static ImportDetails of(OpenedImport opened, List<ImportRows.SameProblem> problems) {
            var sheets = opened.facts().sheets();
            return new ImportDetails(
                    ImportProgress.of(opened.view()),
                    IntStream.range(0, sheets.size())
                            .mapToObj(each -> ImportedSheet.of(
                                    each, sheets.get(each), opened.outcomes().getOrDefault(each, Map.of())))
                            .toList(),
                    MappingView.of(opened.mapping()),
                    FindingView.of(opened.files()),
                    FindingView.of(opened.findings()),
                    problems.stream().map(ProblemGroup::of).toList());
        }
    }

    /** A sheet and what became of its rows. */
    @Schema(requiredProperties = {"sheet", "file", "name", "hidden", "rows", "columns", "outcomes"})
    record ImportedSheet(
            @Schema(description = "Its index, from 0") int sheet,

            String file,
            String name,
            boolean hidden,
            long rows,
            List<ImportedColumn> columns,

            @Schema(description = "Rows by what became of them: new, changed, same, left or failed")
            Map<String, Long> outcomes) {
        static ImportedSheet of(int index, SheetFacts facts, Map<RowOutcome, Long> outcomes) {
            var names = ColumnNames.of(facts);
            var told = new LinkedHashMap<String, Long>();
            outcomes.forEach((outcome, rows) -> told.put(outcome.code(), rows));
            return new ImportedSheet(
                    index,
                    facts.file(),
                    facts.name(),
                    facts.hidden(),
                    facts.rows(),
                    facts.columns().stream()
                            .map(each -> ImportedColumn.of(each, names.get(each.index())))
                            .toList(),
                    told);
        }
    }

    /** A column of a sheet. */
    @Schema(requiredProperties = {"column", "letters", "name", "filled", "samples"})
    record ImportedColumn(
            @Schema(description = "Its index, from 0") int column,

            String letters,

            @Schema(description = "By which mappings know it")
            String name,

            long filled,
            List<String> samples) {
        static ImportedColumn of(ColumnFacts facts, String name) {
            return new ImportedColumn(
                    facts.index(), SheetRow.letters(facts.index()), name, facts.filled(), facts.samples());
        }
    }

    /** The same problem of several rows. */
    @Schema(requiredProperties = {"sheet", "column", "text", "code", "severity", "sentence", "rows", "row"})
    record ProblemGroup(
            int sheet,

            @Schema(description = "Index of the column; -1 where it is about whole rows")
            int column,

            @Schema(description = "What the cells say") String text,

            String code,
            String severity,
            String sentence,
            long rows,

            @Schema(description = "The first of them") int row) {
        static ProblemGroup of(ImportRows.SameProblem problem) {
            var finding = problem.finding();
            return new ProblemGroup(
                    problem.sheet(),
                    problem.column(),
                    problem.text(),
                    finding.code().name(),
                    finding.severity().name().toLowerCase(Locale.ROOT),
                    finding.sentence(),
                    problem.rows(),
                    problem.row());
        }
    }

    /** A row with its problems. */
    @Schema(requiredProperties = {"row", "cells", "outcome", "problems"})
    record ImportedRow(
            int row,
            List<String> cells,

            @Schema(description = "new, changed, same, left or failed; empty where it is not known yet")
            String outcome,

            @Schema(description = "Number of its record; absent where it has none")
            Long record,

            List<CellProblemView> problems) {
        static ImportedRow of(ImportRows.ShownRow row) {
            var problems = new ArrayList<CellProblemView>();
            row.problems().forEach(each -> problems.add(CellProblemView.of(each)));
            return new ImportedRow(
                    row.number(),
                    row.cells(),
                    row.outcome() == null ? "" : row.outcome().code(),
                    row.record() == 0 ? null : row.record(),
                    problems);
        }
    }

    /** What is wrong with a cell, or with a whole row. */
    @Schema(requiredProperties = {"column", "code", "severity", "sentence"})
    record CellProblemView(
            @Schema(description = "Index of the column; -1 where it is about the whole row")
            int column,

            String code,
            String severity,
            String sentence) {
        static CellProblemView of(CellProblem problem) {
            var finding = problem.finding();
            return new CellProblemView(
                    problem.column(),
                    finding.code().name(),
                    finding.severity().name().toLowerCase(Locale.ROOT),
                    finding.sentence());
        }
    }
}
