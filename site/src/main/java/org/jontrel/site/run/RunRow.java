package org.jontrel.site.run;

import java.time.LocalDateTime;

/** A run's row. */
record RunRow(
        long id,
        RunView.RunKind kind,
        RunView.RunState state,
        String fromVersion,
        String toVersion,
        String fromModel,
        String toModel,
        String byWhom,
        Long undoes,
        String message,
        String findings,
        LocalDateTime startedAt,
        LocalDateTime finishedAt) {}
