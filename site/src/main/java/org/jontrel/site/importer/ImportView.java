package org.jontrel.site.importer;

import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.util.Optional;

/**
 * An import, as people look at it.
 *
 * @param state {@link ImportState#READING} for one that is being read, or never was to its end
 * @param revision counts what was said of it
 * @param tried whether its last trial is of what is said of it now
 * @param interrupted whether nobody works on it who should
 * @param phase of the work that is under way; else empty
 * @param done of {@code total}, in rows; a trial goes through them twice
 * @param message why it stopped; else empty
 */
public record ImportView(
        long id,
        String name,
        ImportState state,
        int revision,
        boolean tried,
        boolean interrupted,
        String phase,
        long done,
        long total,
        String by,
        Instant madeAt,
        Optional<Instant> begunAt,
        Optional<Instant> endedAt,
        String message) {
    static ImportView of(ImportMapper.ImportRow row, boolean worked) {
        return new ImportView(
                row.id(),
                row.name(),
                row.state(),
                row.revision(),
                row.tried() != null && row.tried() == row.revision(),
                row.state().working() && !worked,
                row.phase(),
                Math.min(row.done(), row.total()),
                row.total(),
                row.byWhom(),
                instant(row.madeAt()).orElseThrow(),
                instant(row.begunAt()),
                instant(row.endedAt()),
                row.message() == null ? "" : row.message());
    }

    private static Optional<Instant> instant(LocalDateTime time) {
        return Optional.ofNullable(time).map(each -> each.toInstant(ZoneOffset.UTC));
    }
}
