package org.jontrel.site.run;

import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.util.List;
import org.jontrel.core.plan.Step;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.jsontype.NamedType;

/** Steps and runs between Java and the journal's columns. */
final class Journal {
    private static final JsonMapper JSON = json();

    private Journal() {}

    @com.fasterxml.jackson.annotation.JsonTypeInfo(
            use = com.fasterxml.jackson.annotation.JsonTypeInfo.Id.NAME,
            property = "do")
    private interface Tagged {}

    private static JsonMapper json() {
        var builder = JsonMapper.builder().addMixIn(Step.class, Tagged.class);
        for (var kind : Step.class.getPermittedSubclasses()) {
            builder.registerSubtypes(new NamedType(kind, kind.getSimpleName()));
        }
        return builder.build();
    }

    static String text(Step step) {
        return JSON.writerFor(Step.class).writeValueAsString(step);
    }

    static Step step(String text) {
        return JSON.readValue(text, Step.class);
    }

    static String texts(List<String> texts) {
        return JSON.writeValueAsString(texts);
    }

    static List<String> texts(String json) {
        return JSON.readValue(json, new TypeReference<>() {});
    }

    static RunView view(JournalMapper.RunRow run, List<JournalMapper.StepRow> steps, boolean held, boolean canUndo) {
        var state = run.state().equals("running") && !held ? "interrupted" : run.state();
        return new RunView(
                run.id(),
                run.kind(),
                state,
                run.fromVersion(),
                run.toVersion(),
                run.byWhom(),
                run.undoes(),
                run.message(),
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
