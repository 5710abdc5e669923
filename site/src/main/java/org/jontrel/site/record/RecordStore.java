package org.jontrel.site.record;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.sql.Connection;
import java.sql.SQLException;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.apache.ibatis.session.SqlSession;
import org.jontrel.core.model.Kind;
import org.jontrel.core.record.FormCheck;
import org.jontrel.core.record.RecordCheck;
import org.jontrel.core.value.Link;
import org.jontrel.site.media.MediaStore;
import org.jontrel.site.record.address.Placements;
import org.jontrel.site.record.read.Audience;
import org.jontrel.site.record.read.ListQuery;
import org.jontrel.site.record.read.ListReader;
import org.jontrel.site.record.read.PastState;
import org.jontrel.site.record.read.RecordList;
import org.jontrel.site.record.read.RecordLoader;
import org.jontrel.site.record.read.SiteSurroundings;
import org.jontrel.site.record.read.StoredRecord;
import org.jontrel.site.record.write.Histories;
import org.jontrel.site.record.write.Removal;
import org.jontrel.site.record.write.RemoveResult;
import org.jontrel.site.record.write.SaveResult;
import org.jontrel.site.record.write.SaveTransaction;
import org.jontrel.site.record.write.Write;
import org.jontrel.site.table.Binding;
import org.jontrel.site.table.Bindings;
import org.jontrel.site.table.Database;
import org.jontrel.site.table.Gate;
import org.jontrel.site.table.Jdbc;
import org.jontrel.site.table.PhysicalNames;
import org.jontrel.site.table.RecordIds;

/**
 * Records, terms and site values of a site. What holds them is named by the id of its definition; one that is not installed
 * holds nothing.
 */
public final class RecordStore {
    /** Id of the one record that site values have. */
    public static final long SINGLE = 1;

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
    private static final int MOST_POINTERS = 200;
    private static final int MOST_FILE_USES = 50;
    private final Database database;
    private final Bindings bindings;
    private final MediaStore media;
    private final RecordIds ids;
    private final Cache<ListReader.PlainList, ListReader.PreparedQuery> plainLists =
            Caffeine.newBuilder().maximumSize(500).build();

    public RecordStore(Database database, Bindings bindings, MediaStore media, RecordIds ids) {
        this.database = database;
        this.bindings = bindings;
        this.media = media;
        this.ids = ids;
    }

    public Optional<RecordList> page(String holderId, ListQuery query) {
        return reading(
                holderId, (session, binding, table) -> new ListReader(binding, table, plainLists).page(session, query));
    }

    /** All records of a holder; exact, by a walk over an index that takes about a fifth of a second for a million. */
    public long total(String holderId) {
        return reading(
                        holderId,
                        (session, _, table) -> Jdbc.query(
                                        session.getConnection(),
                                        "SELECT COUNT(*) FROM " + PhysicalNames.quoted(table.name())
                                                + " WHERE state <> ?",
                                        row -> row.getLong(1),
                                        RecordLoader.DELETED)
                                .getFirst())
                .orElse(0L);
    }

    /** Exact up to ten thousand. */
    public RecordList.Count count(String holderId, ListQuery query) {
        return reading(
                        holderId,
                        (session, binding, table) -> new ListReader(binding, table, plainLists).count(session, query))
                .orElse(new RecordList.Count(0, true));
    }

    public Optional<StoredRecord> byId(String holderId, long id) {
        return byIds(holderId, List.of(id)).stream().findFirst();
    }

    /** In the order of the ids; those that are not there, or deleted, are left out. */
    public List<StoredRecord> byIds(String holderId, Collection<Long> some) {
        return reading(holderId, (session, _, table) -> new RecordLoader(table).byIds(session.getConnection(), some))
                .orElse(List.of())
                .stream()
                .filter(record -> !record.deleted())
                .toList();
    }

    /** A few fields of records, with what they carry; in the order of the ids. */
    public List<StoredRecord> byIds(String holderId, Collection<Long> some, Set<String> fields) {
        return reading(
                        holderId,
                        (session, _, table) -> new RecordLoader(table, fields).byIds(session.getConnection(), some))
                .orElse(List.of())
                .stream()
                .filter(record -> !record.deleted())
                .toList();
    }

    /** The values of site values; empty where nobody has stored any yet. */
    public Optional<StoredRecord> single(String holderId) {
        return byId(holderId, SINGLE);
    }

    /** The records directly under another, in their order; those under none for 0. */
    public List<StoredRecord> under(String holderId, long parent) {
        return reading(holderId, (session, _, table) -> {
                    var loader = new RecordLoader(table);
                    var connection = session.getConnection();
                    return loader.filled(
                            connection,
                            loader.own(
                                    connection,
                                    "WHERE parent_id = ? AND state <> ? ORDER BY position, id LIMIT 2000",
                                    parent,
                                    RecordLoader.DELETED));
                })
                .orElse(List.of());
    }

    /** Which of these types have records that visitors see. */
    public Set<String> visible(Collection<String> typeIds) {
        return bindings.reading(database, (session, binding) -> {
            var wanted =
                    typeIds.stream().flatMap(id -> binding.table(id).stream()).toList();
            if (wanted.isEmpty()) {
                return Set.of();
            }
            var parameters = new ArrayList<Object>();
            var sql = wanted.stream()
                    .map(table -> {
                        parameters.add(table.holder().id());
                        return "SELECT ? FROM DUAL WHERE EXISTS (SELECT 1 FROM " + PhysicalNames.quoted(table.name())
                                + " WHERE " + Placements.VISIBLE + ")";
                    })
                    .collect(Collectors.joining(" UNION ALL "));
            return Set.copyOf(Jdbc.query(session.getConnection(), sql, row -> row.getString(1), parameters.toArray()));
        });
    }

    /** All that is not deleted, by place and position: for taxonomies, which people read whole. */
    public List<StoredRecord> all(String holderId, int most) {
        return reading(holderId, (session, _, table) -> {
                    var loader = new RecordLoader(table);
                    var connection = session.getConnection();
                    return loader.filled(
                            connection,
                            loader.own(
                                    connection,
                                    "WHERE state <> ? ORDER BY parent_id, position, id LIMIT " + most,
                                    RecordLoader.DELETED));
                })
                .orElse(List.of());
    }

    /** Addresses below the type's path, by record id. */
    public Map<Long, String> addresses(String holderId, Collection<StoredRecord> records) {
        return reading(
                        holderId,
                        (session, binding, table) ->
                                Placements.addresses(session.getConnection(), binding, table, records))
                .orElse(Map.of());
    }

    /**
     * A record by its address.
     *
     * @param moved whether it is an address that the record had before
     */
    public record AddressedRecord(StoredRecord record, String address, boolean moved) {}

    /** The record at an address, such as {@code flight/lock-2}. */
    public Optional<AddressedRecord> byAddress(String holderId, String address) {
        return reading(holderId, (session, binding, table) -> {
            var connection = session.getConnection();
            var slug = address.substring(address.lastIndexOf('/') + 1);
            var loader = new RecordLoader(table);
            var now = loader.own(connection, "WHERE slug = ? AND state <> ? LIMIT 50", slug, RecordLoader.DELETED);
            var addresses = Placements.addresses(connection, binding, table, now);
            for (var record : now) {
                if (addresses.get(record.id()).equals(address)) {
                    return new AddressedRecord(
                            loader.filled(connection, List.of(record)).getFirst(), address, false);
                }
            }
            var before = Placements.formerly(connection, holderId, slug);
            var there = loader.byIds(connection, before).stream()
                    .filter(record -> !record.deleted())
                    .toList();
            if (there.isEmpty() && now.size() == 1) {
                there = loader.filled(connection, now);
            }
            return there.isEmpty()
                    ? null
                    : new AddressedRecord(
                            there.getFirst(),
                            Placements.addresses(connection, binding, table, there)
                                    .get(there.getFirst().id()),
                            true);
        });
    }

    /** What a person calls a record. */
    public record Named(String title, String slug, String state) {}

    /** Titles of records of several types, by link; those that are not there are left out. */
    public Map<Link, Named> named(Collection<Link> links) {
        return named(links, Audience.PEOPLE);
    }

    /** The same of what an audience may read. */
    public Map<Link, Named> named(Collection<Link> links, Audience audience) {
        var holders = audience == Audience.PEOPLE ? null : bindings.reading(database, (_, binding) -> binding);
        var now = Instant.now();
        var byType = new HashMap<String, Set<Long>>();
        links.forEach(link -> byType.computeIfAbsent(link.type(), _ -> new java.util.LinkedHashSet<>())
                .add(link.id()));
        var named = new HashMap<Link, Named>();
        byType.keySet()
                .removeIf(type -> holders != null
                        && holders.table(type)
                                .filter(table -> audience.reads(table.holder()))
                                .isEmpty());
        byType.forEach((type, some) -> byIds(type, some, Set.of("part_title")).stream()
                .filter(record -> audience.reads(record, now))
                .forEach(record -> named.put(
                        new Link(type, record.id()),
                        new Named(
                                record.title().isEmpty() ? record.slug() : record.title(),
                                record.slug(),
                                record.state().code()))));
        return named;
    }

    /**
     * What points at a record by one relation.
     *
     * @param holderId of what points
     * @param fieldId the relation
     * @param records up to two hundred
     */
    public record Pointers(String holderId, String fieldId, List<Long> records) {}

    /** Everything that leads to a record, relation by relation. */
    public List<Pointers> pointers(String holderId, long id) {
        return bindings.reading(database, (session, binding) -> {
            var pointers = new ArrayList<Pointers>();
            for (var table : binding.tables().values()) {
                for (var place : table.fields().entrySet()) {
                    var field = table.holder().field(place.getKey());
                    boolean leads = field.isPresent()
                            && (field.get().kind() instanceof Kind.Relation relation
                                            && relation.to().contains(holderId)
                                            && !(relation.symmetric())
                                    || field.get().kind() instanceof Kind.TermPick pick
                                            && pick.taxonomy().equals(holderId));
                    if (leads) {
                        var records = pointing(
                                session.getConnection(),
                                table,
                                place.getValue(),
                                field.get().kind(),
                                id);
                        if (!records.isEmpty()) {
                            pointers.add(new Pointers(
                                    table.holder().id(), field.get().id(), records));
                        }
                    }
                }
            }
            return pointers;
        });
    }

    private static List<Long> pointing(
            Connection connection, Binding.BoundTables table, Binding.ValueTable place, Kind kind, long id)
            throws SQLException {
        var column = kind instanceof Kind.Relation ? "target_id" : "term_id";
        return Jdbc.query(
                connection,
                "SELECT DISTINCT f.record_id FROM " + PhysicalNames.quoted(place.name()) + " f JOIN "
                        + PhysicalNames.quoted(table.name()) + " r ON r.id = f.record_id WHERE f." + column
                        + " = ? AND r.state <> ? ORDER BY f.record_id LIMIT " + MOST_POINTERS,
                row -> row.getLong(1),
                id,
                RecordLoader.DELETED);
    }

    /** What visitors may see and uses a file: some of it, by the ids of its definitions. */
    public List<Link> publishedUses(long file) {
        return bindings.reading(database, (session, binding) -> {
            var connection = session.getConnection();
            var uses = new ArrayList<Link>();
            var holders = Jdbc.query(
                    connection,
                    "SELECT DISTINCT holder_id FROM jontrel_media_use WHERE media_id = ?",
                    row -> row.getString(1),
                    file);
            for (var holder : holders) {
                var table = binding.table(holder);
                if (table.isPresent()) {
                    uses.addAll(Jdbc.query(
                            connection,
                            "SELECT r.id FROM jontrel_media_use u JOIN "
                                    + PhysicalNames.quoted(table.get().name()) + " r ON r.id = u.record_id"
                                    + " WHERE u.media_id = ? AND u.holder_id = ? AND " + Placements.VISIBLE + " LIMIT "
                                    + MOST_FILE_USES,
                            row -> new Link(holder, row.getLong(1)),
                            file,
                            holder));
                }
            }
            return uses;
        });
    }

    /** Past states of a record, newest first; the present one is not among them. */
    public List<PastState> history(String holderId, long id) {
        return reading(holderId, (session, binding, _) -> Histories.of(session.getConnection(), binding, holderId, id))
                .orElse(List.of());
    }

    /** Why a stored record does not satisfy its definition. */
    public List<FormCheck.Problem> problems(String holderId, StoredRecord record) {
        return reading(
                        holderId,
                        (session, binding, table) -> RecordCheck.check(
                                        table.holder(),
                                        record.values(),
                                        new SiteSurroundings(
                                                session.getConnection(), binding, record.state(), record.parent()))
                                .problems())
                .orElse(List.of());
    }

    /** What a form that is being filled in has to say; stored nowhere. */
    public Optional<RecordCheck.CheckedRecord> check(Write write) {
        return reading(
                write.holderId(),
                (session, binding, table) -> RecordCheck.read(
                        table.holder(),
                        write.raw(),
                        new SiteSurroundings(session.getConnection(), binding, write.state(), write.parent())));
    }

    private interface ReadWork<T> {
        T with(SqlSession session, Binding binding, Binding.BoundTables table) throws SQLException;
    }

    /** Reads, and once more where a switch took a name away in between. */
    private <T> Optional<T> reading(String holderId, ReadWork<T> work) {
        return bindings.reading(database, (session, binding) -> {
            var table = binding.table(holderId);
            return table.isEmpty() ? Optional.empty() : Optional.ofNullable(work.with(session, binding, table.get()));
        });
    }

    /** Stores what a form, the API or an import sent; in one transaction over all tables. */
    public SaveResult save(Write write) {
        return writing(
                write.holderId(),
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
                write.holderId(),
                (session, binding, table, crowded) -> new SaveTransaction(
                                session.getConnection(), binding, table, media, ids, crowded)
                        .revive(write, was));
    }

    /** Many new or changed records in one transaction: all of them, or none where one is refused. */
    public List<SaveResult> saveAll(List<Write> writes) {
        var saved = new ArrayList<SaveResult>();
        var outcome = writing(writes.getFirst().holderId(), (session, binding, table, crowded) -> {
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

    /** Undoes a transaction in which one of many records was refused. */
    private static final class RolledBackException extends RuntimeException {
        private final transient SaveResult saved;

        RolledBackException(SaveResult saved) {
            this.saved = saved;
        }
    }

    private interface WriteWork {
        SaveResult with(SqlSession session, Binding binding, Binding.BoundTables table, boolean crowded)
                throws SQLException;
    }

    /** Writers wait at a closed gate: a switch takes less than a second, unless it was cut off. */
    private SaveResult writing(String holderId, WriteWork work) {
        long until = System.nanoTime() + PATIENCE.toNanos();
        while (true) {
            var outcome = written(holderId, work);
            if (!(outcome instanceof SaveResult.Closed) || System.nanoTime() > until) {
                return outcome;
            }
            Database.pause(SOON_MILLIS);
        }
    }

    private SaveResult written(String holderId, WriteWork work) {
        for (int attempt = 1; ; attempt++) {
            boolean crowded = attempt > NUMBERED_TRIES;
            try {
                return database.transaction(session -> writeOnce(session, holderId, work, crowded));
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

    private SaveResult writeOnce(SqlSession session, String holderId, WriteWork work, boolean crowded)
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
        var table = binding.table(holderId);
        return table.isEmpty() ? new SaveResult.Missing() : work.with(session, binding, table.get(), crowded);
    }

    /** Takes a record away; {@link #bringBack} undoes it. One that others stand under stays. */
    public RemoveResult remove(String holderId, long id, int version, String author) {
        var removed = new RemoveResult[1];
        var saved = writing(holderId, (session, binding, table, _) -> {
            removed[0] = new Removal(session.getConnection(), binding, table, media).remove(id, version, author);
            return new SaveResult.Missing();
        });
        return saved instanceof SaveResult.Closed
                ? new SaveResult.Closed()
                : removed[0] == null ? new SaveResult.Missing() : removed[0];
    }

    /** Brings a record back that was removed, at its old address where that is free. */
    public SaveResult bringBack(String holderId, long id, String author) {
        return writing(
                holderId,
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
            var holders = new ArrayList<String>();
            for (var table : binding.tables().values()) {
                var some = "SELECT 1 FROM " + PhysicalNames.quoted(table.name()) + " WHERE " + which + " LIMIT 1";
                if (!Jdbc.query(session.getConnection(), some, row -> row.getInt(1))
                        .isEmpty()) {
                    holders.add(table.holder().id());
                }
            }
            return holders;
        });
        long[] changed = {0};
        for (var holder : due) {
            writing(holder, (session, _, table, _) -> {
                changed[0] += Jdbc.update(
                        session.getConnection(),
                        "UPDATE " + PhysicalNames.quoted(table.name()) + " SET " + change + " WHERE " + which);
                return new SaveResult.Missing();
            });
        }
        return changed[0];
    }
}
