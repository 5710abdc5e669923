package org.jontrel.site.run;

import static java.util.Map.entry;

import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.jontrel.core.plan.Step;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.PropertyNamingStrategies;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** Steps and runs between Java and the journal's columns. */
final class Journal {
    private static final JsonMapper JSON =
            JsonMapper.builder().propertyNamingStrategy(new StoredNames()).build();
    private static final String CODE = "do";
    private static final String CORRECTIONS = "corrections";
    /** What steps are called in journals, for good: a site's past must stay readable, whatever the classes are called. */
    private static final Map<String, Class<? extends Step>> STEPS = Map.ofEntries(
            entry("create_table", Step.CreateTable.class),
            entry("add_column", Step.AddColumn.class),
            entry("copy_column", Step.CopyColumn.class),
            entry("add_table", Step.AddTable.class),
            entry("add_table_beside", Step.AddTableBeside.class),
            entry("move_values", Step.MoveValues.class),
            entry("make_records", Step.MakeRecords.class),
            entry("make_rows", Step.MakeRows.class),
            entry("carry_records", Step.CarryRecords.class),
            entry("retype_records", Step.RetypeRecords.class),
            entry("carry_retyped", Step.CarryRetyped.class),
            entry("note_files", Step.NoteFiles.class),
            entry("take_table", Step.TakeTable.class),
            entry("make_terms", Step.MakeTerms.class),
            entry("withdraw_terms", Step.WithdrawTerms.class),
            entry("drop_table_beside", Step.DropTableBeside.class),
            entry("carry_moved", Step.CarryMoved.class),
            entry("drop_beside", Step.DropBeside.class),
            entry("carry_back", Step.CarryBack.class),
            entry("carry_forth", Step.CarryForth.class),
            entry("switch_columns", Step.SwitchColumns.class),
            entry("rename_table", Step.RenameTable.class),
            entry("hold_table", Step.HoldTable.class),
            entry("restore_table", Step.RestoreTable.class),
            entry("hold_own", Step.HoldOwn.class),
            entry("restore_own", Step.RestoreOwn.class),
            entry("starter_terms", Step.StarterTerms.class),
            entry("index_column", Step.IndexColumn.class),
            entry("indexes", Step.Indexes.class),
            entry("renew_words", Step.RenewWords.class),
            entry("redirect", Step.Redirect.class),
            entry("check_records", Step.CheckRecords.class));
    /** What earlier versions called them. */
    private static final Map<String, Class<? extends Step>> EARLIER = Map.ofEntries(
            entry("CreateTable", Step.CreateTable.class),
            entry("AddColumn", Step.AddColumn.class),
            entry("CopyColumn", Step.CopyColumn.class),
            entry("AddTable", Step.AddTable.class),
            entry("DropBeside", Step.DropBeside.class),
            entry("CarryBack", Step.CarryBack.class),
            entry("CarryForth", Step.CarryForth.class),
            entry("SwitchColumns", Step.SwitchColumns.class),
            entry("RenameTable", Step.RenameTable.class),
            entry("HoldTable", Step.HoldTable.class),
            entry("RestoreTable", Step.RestoreTable.class),
            entry("HoldOwn", Step.HoldOwn.class),
            entry("RestoreOwn", Step.RestoreOwn.class),
            entry("StarterTerms", Step.StarterTerms.class),
            entry("Indexes", Step.Indexes.class),
            entry("Redirect", Step.Redirect.class),
            entry("CheckRecords", Step.CheckRecords.class));

    private static final Map<Class<? extends Step>, String> CODES =
            STEPS.entrySet().stream().collect(Collectors.toMap(Map.Entry::getValue, Map.Entry::getKey));

    /** What parts of steps are called in journals, where classes have come to call them otherwise. */
    private static final class StoredNames extends PropertyNamingStrategies.NamingBase {
        @Override
        public String translate(String name) {
            return name.equals("recordTypeId") ? "holderId" : name;
        }
    }

    private Journal() {}

    static String code(Step step) {
        return CODES.get(step.getClass());
    }

    static String text(Step step) {
        var parts = (ObjectNode) JSON.valueToTree(step);
        if (parts.path(CORRECTIONS).isEmpty()) {
            // as earlier versions wrote it, which can still read it
            parts.remove(CORRECTIONS);
        }
        var node = JSON.createObjectNode().put(CODE, code(step));
        return JSON.writeValueAsString(node.setAll(parts));
    }

    static Step step(String text) {
        var node = (ObjectNode) JSON.readTree(text);
        var code = node.remove(CODE).asString();
        var step = STEPS.getOrDefault(code, EARLIER.get(code));
        if (step == null) {
            throw new IllegalStateException("The journal has a step " + code + " that this version does not know."
                    + " Use the version that made the run, or a newer one.");
        }
        return JSON.treeToValue(node, step);
    }

    static String texts(List<String> texts) {
        return JSON.writeValueAsString(texts);
    }

    static List<String> texts(String json) {
        return JSON.readValue(json, new TypeReference<>() {});
    }

    static RunView view(JournalMapper.RunRow run, List<JournalMapper.StepRow> steps, boolean held, boolean canUndo) {
        var left = run.pausedBy() == null ? RunView.RunState.INTERRUPTED : RunView.RunState.PAUSED;
        var state = run.state() == RunView.RunState.RUNNING && !held ? left : run.state();
        return new RunView(
                run.id(),
                run.kind(),
                state,
                run.fromVersion(),
                run.toVersion(),
                run.byWhom(),
                run.undoes(),
                run.message(),
                run.pausedBy(),
                run.journey(),
                texts(run.findings()),
                instant(run.startedAt()),
                instant(run.finishedAt()),
                canUndo,
                steps.stream().map(Journal::view).toList());
    }

    private static RunView.StepView view(JournalMapper.StepRow row) {
        var step = step(row.step());
        return new RunView.StepView(
                row.seq(),
                row.sentence(),
                step.phase().name().toLowerCase(java.util.Locale.ROOT),
                step.instant(),
                row.state(),
                row.rowsExpected(),
                row.rowsDone(),
                instant(row.startedAt()),
                instant(row.finishedAt()));
    }

    private static Instant instant(LocalDateTime time) {
        return time == null ? null : time.toInstant(ZoneOffset.UTC);
    }
}
