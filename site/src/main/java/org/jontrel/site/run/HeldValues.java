package org.jontrel.site.run;

import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jontrel.core.model.Field;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.core.value.Link;
import org.jontrel.site.record.RecordStore;
import org.jontrel.site.record.read.StoredRecord;
import org.jontrel.site.table.Bindings;
import org.jontrel.site.table.Database;
import org.jontrel.site.table.Gate;
import org.jontrel.site.table.Jdbc;
import org.jontrel.site.table.Schema;

/** What runs took out of use and keep: listed and looked at, brought back into fields of today, purged for good. */
public final class HeldValues {
    private final Database database;
    private final Bindings bindings;
    private final RecordStore records;
    private final Runs runs;

    public HeldValues(Database database, Bindings bindings, RecordStore records, Runs runs) {
        this.database = database;
        this.bindings = bindings;
        this.records = records;
        this.runs = runs;
    }

    /** All there is, what the newest run holds first. */
    public List<Held> list() {
        return bindings.reading(database, (session, binding) -> {
            var connection = session.getConnection();
            var places = HeldPlace.all(connection);
            var sizes = new HeldSizes(connection, places);
            var undoable = RunHistory.undoable(session);
            var marks = Schema.inUse(connection);
            var held = new ArrayList<Held>();
            for (var place : places) {
                held.add(HeldRows.held(session, binding, place, sizes, undoable, marks));
            }
            return held;
        });
    }

    static java.time.Instant instant(LocalDateTime time) {
        return time == null ? null : time.toInstant(ZoneOffset.UTC);
    }

    /**
     * Some of what is held, record by record.
     *
     * @param recordType as it was defined when the values were held
     * @param fields those of the record itself that are held, or that hold what is
     * @param records with nothing but the held values
     * @param named what people call these records today; nothing for those that are not there
     * @param next id behind which the next page begins; empty where there is none
     */
    public record HeldSlice(
            RecordType recordType,
            List<Field> fields,
            List<StoredRecord> records,
            Map<Link, RecordStore.Named> named,
            Optional<Long> next) {}

    /** Up to {@code most} records behind an id; empty where nothing is held under the name. */
    public Optional<HeldSlice> look(String name, long after, int most) {
        return look(name, after, most, false);
    }

    /** @param lacking only where the field of today has no value, as where a conversion could not take it */
    public Optional<HeldSlice> look(String name, long after, int most, boolean lacking) {
        var page = bindings.reading(
                database, (session, _) -> HeldRows.read(session.getConnection(), name, after, most, lacking));
        return page.map(found -> new HeldSlice(
                found.recordType(),
                found.fields(),
                found.records(),
                records.named(found.records().stream()
                        .map(record -> new Link(found.recordType().id(), record.id()))
                        .toList()),
                found.next()));
    }

    /**
     * Brings values back to the records they are of, as a person's save would: checked, and kept in the history.
     *
     * @param replace whether what is there today gives way; else only empty places are filled
     * @param after id of the record behind which to begin; 0 for all
     * @param most records to look at
     */
    public Held.ReturnOutcome bringBack(String name, boolean replace, long after, int most, String by) {
        var way = list().stream()
                .filter(each -> each.name().equals(name))
                .map(Held::way)
                .findFirst();
        if (way.isEmpty()) {
            return new Held.ReturnOutcome.NothingHeld();
        }
        if (way.get() != Held.ReturnWay.OPEN) {
            return new Held.ReturnOutcome.NotPossible(way.get());
        }
        var place = database.transaction(session -> HeldPlace.find(session.getConnection(), name));
        var page = bindings.reading(
                database, (session, _) -> HeldRows.read(session.getConnection(), name, after, most, false));
        if (place.isEmpty() || page.isEmpty()) {
            return new Held.ReturnOutcome.NothingHeld();
        }
        return new HeldReturn(records, place.get().fieldId(), replace, by)
                .back(page.get(), () -> bindings.reading(database, (_, binding) -> binding));
    }

    /** What came of purging. */
    public sealed interface Purged {
        /** These are gone. */
        record PurgeDone(List<Held> gone) implements Purged {}

        /** A run is under way, or was interrupted and must be continued or rolled back first. */
        record RunUnderWay() implements Purged {}

        /**
         * Somebody else's transaction uses the table.
         *
         * @param gone what was purged before it was met
         */
        record TableInUse(List<Held> gone) implements Purged {}
    }

    /** Deletes what is held under these names. Nothing brings it back, and runs that need it cannot be undone any more. */
    public Purged purge(Collection<String> names, String by) {
        return runs.alone(() -> {
            var gone = new ArrayList<Held>();
            for (var each : list()) {
                if (names.contains(each.name())) {
                    try {
                        purge(each, by);
                    } catch (RuntimeException e) {
                        if (Database.errorOf(e) == Executor.LOCK_WAIT) {
                            return new Purged.TableInUse(gone);
                        }
                        throw e;
                    }
                    gone.add(each);
                }
            }
            return new Purged.PurgeDone(gone);
        });
    }

    /** Said first, then done: a run whose values may be gone is not undone. */
    private void purge(Held held, String by) {
        var place = database.transaction(session -> {
            session.getMapper(JournalMapper.class)
                    .purge(held.name(), held.runId(), held.recordTypeId(), held.fieldId(), held.values(), by);
            session.getMapper(JournalMapper.class).forgetSetAside(held.runId(), held.recordTypeId(), held.fieldId());
            return HeldPlace.find(session.getConnection(), held.name());
        });
        if (place.isEmpty()) {
            return;
        }
        database.direct(connection -> {
            for (var sql : place.get().drops(connection)) {
                Jdbc.execute(connection, "SET STATEMENT lock_wait_timeout = 2 FOR " + sql);
            }
        });
        // what a plan was told of is gone
        database.transaction(session -> {
            Gate.changed(session.getConnection());
            return null;
        });
        if (held.fieldId().isEmpty()) {
            forget(held.recordTypeId());
        }
    }

    /** What the site remembers of records beside their tables, where no record of the definition is left. */
    private void forget(String recordTypeId) {
        boolean left = database.transaction(session ->
                bindings.current(session).table(recordTypeId).isPresent()
                        || HeldPlace.all(session.getConnection()).stream()
                                .anyMatch(each -> each.recordType().id().equals(recordTypeId)
                                        && each.fieldId().isEmpty()));
        if (left) {
            return;
        }
        for (var table : List.of(
                "jontrel_history", "jontrel_text", "jontrel_api_text", "jontrel_media_use", "jontrel_address")) {
            var sql = "DELETE FROM " + table + " WHERE holder_id = ? LIMIT 1000";
            int rows = 1;
            while (rows > 0) {
                rows = database.transaction(session -> Jdbc.update(session.getConnection(), sql, recordTypeId));
            }
        }
    }

    /** What has been purged, newest first. */
    public List<PurgedValues> purged() {
        return database.transaction(
                session -> session.getMapper(JournalMapper.class).purged());
    }

    /** Held values that somebody purged. */
    public record PurgedValues(
            String name,
            long runId,
            String recordTypeId,
            String fieldId,
            long amount,
            String byWhom,
            LocalDateTime at) {}
}
