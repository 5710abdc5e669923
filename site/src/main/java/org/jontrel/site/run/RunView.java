package org.jontrel.site.run;

import com.fasterxml.jackson.annotation.JsonIgnore;
import com.fasterxml.jackson.annotation.JsonProperty;
import java.time.Instant;
import java.util.List;

/**
 * A run as its journal has it: what is shown while it goes on, and the report that stays.
 *
 * @param undoes the run that this one turns around, or {@code null}
 * @param message why it stopped, or {@code null}
 * @param pausedBy who has paused it, or is about to; {@code null} for nobody
 * @param journey what it has in common with other runs that lead a site over several releases; {@code null} for none
 * @param findings what there was to say before it began, and what came of it that nobody was asked about
 * @param canUndo whether it has finished and nothing that came later stands on it
 */
public record RunView(
        long id,
        RunKind kind,
        RunState state,
        String fromVersion,
        String toVersion,
        String by,
        Long undoes,
        String message,
        String pausedBy,
        Long journey,
        List<String> findings,
        Instant startedAt,
        Instant finishedAt,
        boolean canUndo,
        List<StepView> steps) {
    /** Whether it has begun and not ended, whoever is at it. */
    @JsonIgnore
    public boolean isOpen() {
        return state == RunState.RUNNING || state == RunState.INTERRUPTED || state == RunState.PAUSED;
    }

    /** What a run does. */
    public enum RunKind {
        /** Brings the site to a release. */
        @JsonProperty("forward")
        FORWARD,
        /** Undoes a finished run. */
        @JsonProperty("undo")
        UNDO,
        /** Undoes an undo. */
        @JsonProperty("redo")
        REDO,
        /** Rolls back a run that was interrupted. */
        @JsonProperty("back")
        BACK
    }

    /** How far a run is. */
    public enum RunState {
        @JsonProperty("running")
        RUNNING,
        /** Begun, and nobody is at it; no row says so, it is seen from the lease. */
        @JsonProperty("interrupted")
        INTERRUPTED,
        /** Begun, and somebody has paused it; no row says so either. */
        @JsonProperty("paused")
        PAUSED,
        @JsonProperty("done")
        DONE,
        @JsonProperty("undone")
        UNDONE
    }

    /** How far a step is. */
    public enum StepState {
        @JsonProperty("pending")
        PENDING,
        /** Its intent is written down; it may have acted. */
        @JsonProperty("acting")
        ACTING,
        @JsonProperty("done")
        DONE
    }

    /** One step. */
    public record StepView(
            int seq,
            String sentence,
            String phase,
            boolean instant,
            StepState state,
            long rowsExpected,
            long rowsDone,
            Instant startedAt,
            Instant finishedAt) {}
}
