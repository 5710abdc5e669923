package org.jontrel.site.run;

import java.time.Instant;
import java.util.List;

/**
 * A run as its journal has it: what is shown while it goes on, and the report that stays.
 *
 * @param kind {@code forward}, {@code undo} (of a finished run), {@code redo} (of an undo) or {@code back} (of one
 *     that was cut off)
 * @param state {@code running}, {@code interrupted} (nobody is at it), {@code done}, {@code undone}
 * @param undoes the run that this one turns around, or {@code null}
 * @param message why it stopped, or {@code null}
 * @param findings what there was to say before it began, and what came of it that nobody was asked about
 * @param canUndo whether it has finished and nothing that came later stands on it
 */
public record RunView(
        long id,
        String kind,
        String state,
        String fromVersion,
        String toVersion,
        String by,
        Long undoes,
        String message,
        List<String> findings,
        Instant startedAt,
        Instant finishedAt,
        boolean canUndo,
        List<StepView> steps) {
    /**
     * One step.
     *
     * @param state {@code pending}, {@code acting} or {@code done}
     */
    public record StepView(
            int seq,
            String sentence,
            String phase,
            boolean instant,
            String state,
            long rowsExpected,
            long rowsDone,
            Instant startedAt,
            Instant finishedAt) {}
}
