package org.jontrel.site.record;

import java.sql.SQLException;
import java.time.Duration;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Optional;
import org.apache.ibatis.session.SqlSession;
import org.jontrel.site.media.MediaStore;
import org.jontrel.site.record.read.StoredRecord;
import org.jontrel.site.record.write.Removal;
import org.jontrel.site.record.write.RemoveResult;
import org.jontrel.site.record.write.SaveResult;
import org.jontrel.site.record.write.SaveTransaction;
import org.jontrel.site.record.write.Write;
import org.jontrel.site.table.Bindings;
import org.jontrel.site.table.Database;
import org.jontrel.site.table.Gate;
import org.jontrel.site.table.Jdbc;
import org.jontrel.site.table.PhysicalNames;
import org.jontrel.site.table.RecordIds;

/**
 * Records, terms and site values of a site, read and written. Writers of one site go through a gate, which a switch of
 * definitions closes for a moment.
 */
public final class RecordStore extends RecordReader {
    private static final int UNKNOWN_COLUMN = 1054;
    private static final int UNKNOWN_TABLE = 1146;
    private static final int DUPLICATE = 1062;
    /** Numbers behind a title are tried this often; then the record's id makes its address certain. */
    private static final int NUMBERED_TRIES = 3;

    private static final int SAVE_TRIES = 6;
    private static final Duration PATIENCE = Duration.ofSeconds(3);
    private static final long SOON_MILLIS = 25;
    private static final String APPEARS = "state = 'scheduled' AND publish_at <= UTC_TIMESTAMP()";
    private static final String RETIRES = "state IN ('published', 'scheduled') AND retire_at <= UTC_TIMESTAMP()";
    private final MediaStore media;
    private final RecordIds ids;

    public RecordStore(Database database, Bindings bindings, MediaStore media, RecordIds ids) {
        super(database, bindings);
        this.media = media;
        this.ids = ids;
    }

    /** Stores what a form, the API or an import sent; in one transaction over all tables. */
    public SaveResult save(Write write) {
        return writing(
                write.recordTypeId(),
                (session, binding, table, crowded) ->
                        new SaveTransaction(session.getConnection(), binding, table, media, ids, crowded).save(write));
    }

    /**
     * Stores a record anew that was held: under the id, the version and with the times that it had, so that its history goes
     * on.
     *
     * @param write what it is to be, with its id
     * @param was what it was
     */
    public SaveResult revive(Write write, StoredRecord was) {
        return writing(
                write.recordTypeId(),
                (session, binding, table, crowded) -> new SaveTransaction(
                                session.getConnection(), binding, table, media, ids, crowded)
                        .revive(write, was));
    }

    /** Many new or changed records in one transaction: all of them, or none where one is refused. */
    public List<SaveResult> saveAll(List<Write> writes) {
        var saved = new ArrayList<SaveResult>();
        var outcome = writing(writes.getFirst().recordTypeId(), (session, binding, table, crowded) -> {
            saved.clear();
            var saving = new SaveTransaction(session.getConnection(), binding, table, media, ids, crowded);
            for (var some : runs(writes)) {
                var stored = some.getFirst().id().isEmpty() ? saving.add(some) : List.of(saving.save(some.getFirst()));
                for (var one : stored) {
                    saved.add(one);
                    if (!(one instanceof SaveResult.Stored)) {
                        throw new RolledBackException(one);
                    }
                }
            }
            return saved.getLast();
        });
        return outcome instanceof SaveResult.Stored ? List.copyOf(saved) : List.of(outcome);
    }

    /** New records that follow each other, up to a thousand; each changed one for itself. */
    private static List<List<Write>> runs(List<Write> writes) {
        var runs = new ArrayList<List<Write>>();
        for (var write : writes) {
            boolean joins = write.id().isEmpty()
                    && !runs.isEmpty()
                    && runs.getLast().getFirst().id().isEmpty()
                    && runs.getLast().size() < SaveTransaction.TOGETHER;
            if (!joins) {
                runs.add(new ArrayList<>());
            }
            runs.getLast().add(write);
        }
        return runs;
    }

    /** Writers wait at a closed gate: a switch takes less than a second, unless it was interrupted. */
    private SaveResult writing(String recordTypeId, WriteWork work) {
        long until = System.nanoTime() + PATIENCE.toNanos();
        while (true) {
            var outcome = written(recordTypeId, work);
            if (!(outcome instanceof SaveResult.Closed) || System.nanoTime() > until) {
                return outcome;
            }
            Database.pause(SOON_MILLIS);
        }
    }

    private SaveResult written(String recordTypeId, WriteWork work) {
        for (int attempt = 1; ; attempt++) {
            boolean crowded = attempt > NUMBERED_TRIES;
            try {
                return database.transaction(session -> writeOnce(session, recordTypeId, work, crowded));
            } catch (RolledBackException e) {
                return e.saved;
            } catch (RuntimeException e) {
                int error = Database.errorOf(e);
                boolean again = e instanceof SaveTransaction.Overtaken
                        || error == DUPLICATE
                        || error == UNKNOWN_COLUMN
                        || error == UNKNOWN_TABLE;
                if (!again || attempt >= SAVE_TRIES) {
                    throw e;
                }
            }
        }
    }

    private SaveResult writeOnce(SqlSession session, String recordTypeId, WriteWork work, boolean crowded)
            throws SQLException {
        var binding = bindings.last(session);
        var passage = Gate.pass(session.getConnection(), binding.generation());
        if (passage == Gate.Passage.CHANGED) {
            binding = bindings.reload(session);
            passage = Gate.pass(session.getConnection(), binding.generation());
        }
        if (passage != Gate.Passage.OPEN) {
            return new SaveResult.Closed();
        }
        var table = binding.table(recordTypeId);
        return table.isEmpty() ? new SaveResult.Missing() : work.with(session, binding, table.get(), crowded);
    }

    /** Takes a record away; {@link #bringBack} undoes it. One that others stand under stays. */
    public RemoveResult remove(String recordTypeId, long id, int version, String author) {
        var removed = new RemoveResult[1];
        var saved = writing(recordTypeId, (session, binding, table, _) -> {
            removed[0] = new Removal(session.getConnection(), binding, table, media).remove(id, version, author);
            return new SaveResult.Missing();
        });
        return saved instanceof SaveResult.Closed
                ? new SaveResult.Closed()
                : removed[0] == null ? new SaveResult.Missing() : removed[0];
    }

    /** Brings a record back that was removed, at its old address where that is free. */
    public SaveResult bringBack(String recordTypeId, long id, String author) {
        return writing(
                recordTypeId,
                (session, binding, table, crowded) ->
                        new Removal(session.getConnection(), binding, table, media).bringBack(id, author, crowded));
    }

    /** Moves all uses of one term, and what stands under it, to another and removes it; the number of records it moved. */
    public Optional<Long> mergeTerms(String taxonomyId, long from, long into, String author) {
        var moved = new LinkedHashMap<String, Long>();
        writing(taxonomyId, (session, binding, table, _) -> {
            new Removal(session.getConnection(), binding, table, media)
                    .merge(from, into, author)
                    .ifPresent(count -> moved.put("records", count));
            return new SaveResult.Missing();
        });
        return Optional.ofNullable(moved.get("records"));
    }

    /** Makes scheduled records public whose moment has come; how many there were. None while definitions switch. */
    public long publishDue() {
        return changeDue(APPEARS, "state = 'published'");
    }

    /** Retires public records whose moment has come; how many there were. None while definitions switch. */
    public long retireDue() {
        return changeDue(RETIRES, "state = 'retired', publish_at = NULL, retire_at = NULL");
    }

    private long changeDue(String which, String change) {
        var due = bindings.reading(database, (session, binding) -> {
            var recordTypes = new ArrayList<String>();
            for (var table : binding.tables().values()) {
                var some = "SELECT 1 FROM " + PhysicalNames.quoted(table.name()) + " WHERE " + which + " LIMIT 1";
                if (!Jdbc.query(session.getConnection(), some, row -> row.getInt(1))
                        .isEmpty()) {
                    recordTypes.add(table.recordType().id());
                }
            }
            return recordTypes;
        });
        long[] changed = {0};
        for (var recordType : due) {
            writing(recordType, (session, _, table, _) -> {
                changed[0] += Jdbc.update(
                        session.getConnection(),
                        "UPDATE " + PhysicalNames.quoted(table.name()) + " SET " + change + " WHERE " + which);
                return new SaveResult.Missing();
            });
        }
        return changed[0];
    }
}
