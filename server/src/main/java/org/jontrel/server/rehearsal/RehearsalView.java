package org.jontrel.server.rehearsal;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import tools.jackson.databind.json.JsonMapper;

/** A rehearsal over HTTP. */
@Schema(requiredProperties = {"id", "version", "state", "by", "rowsCopied", "rowsExpected", "startedAt", "differences"})
record RehearsalView(
        long id,
        String version,

        @Schema(description = "copying, running, done, failed or given_up")
        String state,

        String by,

        @Schema(description = "Path of the copy, while it is there")
        String copy,

        long rowsCopied,

        @Schema(description = "About how many rows there are to copy")
        long rowsExpected,

        @Schema(description = "Why it failed") String message,

        Instant startedAt,
        Instant finishedAt,

        @Schema(description = "What the plan would say now and did not say when it was rehearsed")
        List<String> differences,

        RehearsalReport report) {
    static final JsonMapper JSON = JsonMapper.builder().build();

    static RehearsalView of(RehearsalMapper.RehearsalRow row, List<String> differences) {
        return new RehearsalView(
                row.id(),
                row.version(),
                row.state(),
                row.byWhom(),
                row.copyPath(),
                row.rowsCopied(),
                row.rowsExpected(),
                row.message(),
                instant(row.startedAt()),
                instant(row.finishedAt()),
                differences,
                report(row).orElse(null));
    }

    static Optional<RehearsalReport> report(RehearsalMapper.RehearsalRow row) {
        return Optional.ofNullable(row.report()).map(text -> JSON.readValue(text, RehearsalReport.class));
    }

    private static Instant instant(LocalDateTime at) {
        return at == null ? null : at.toInstant(ZoneOffset.UTC);
    }
}
