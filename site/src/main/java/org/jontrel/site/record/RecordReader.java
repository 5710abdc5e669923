package org.jontrel.site.record;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.sql.Connection;
import java.sql.SQLException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
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
import org.jontrel.site.record.address.Placements;
import org.jontrel.site.record.read.Audience;
import org.jontrel.site.record.read.ListQuery;
import org.jontrel.site.record.read.ListReader;
import org.jontrel.site.record.read.PastState;
import org.jontrel.site.record.read.RecordList;
import org.jontrel.site.record.read.RecordLoader;
import org.jontrel.site.record.read.SiteSurroundings;
import org.jontrel.site.record.read.StoredRecord;
import org.jontrel.site.record.read.ValueCounts;
import org.jontrel.site.record.write.Histories;
import org.jontrel.site.record.write.Write;
import org.jontrel.site.table.Binding;
import org.jontrel.site.table.Bindings;
import org.jontrel.site.table.Database;
import org.jontrel.site.table.Jdbc;
import org.jontrel.site.table.PhysicalNames;

/**
 * Records, terms and site values of a site, read. What holds them is named by the id of its definition; one that is not
 * installed holds nothing.
 */
public sealed class RecordReader permits RecordStore {
    /** Id of the one record that site values have. */
    public static final long SINGLE = 1;

    private static final int MOST_POINTERS = 200;
    private static final int MOST_FILE_USES = 50;
    final Database database;
    final Bindings bindings;
    private final Cache<ListReader.PlainList, ListReader.PreparedQuery> plainLists =
            Caffeine.newBuilder().maximumSize(500).build();

    RecordReader(Database database, Bindings bindings) {
        this.database = database;
        this.bindings = bindings;
    }

    public Optional<RecordList> page(String recordTypeId, ListQuery query) {
        return reading(
                recordTypeId,
                (session, binding, table) -> new ListReader(binding, table, plainLists).page(session, query));
    }

    /** What several lists of one record type find, in one statement: ids in the order of each list; empty ones are left out. */
    public <K> Map<K, List<Long>> lists(String recordTypeId, Map<K, ListQuery> queries) {
        return reading(
                        recordTypeId,
                        (session, binding, table) -> new ListReader(binding, table, plainLists).each(session, queries))
                .orElse(Map.of());
    }

    /** Where a record stands in a list, as {@link ListQuery#after} wants it. */
    public Optional<String> cursor(String recordTypeId, List<ListQuery.SortOrder> sort, long id) {
        return reading(
                recordTypeId,
                (session, binding, table) -> new ListReader(binding, table, plainLists)
                        .cursor(session, sort, id)
                        .orElse(null));
    }

    /** The numbers of terms that were made from starter terms, by the ids of those. */
    public Map<String, Long> termsByOrigin(String taxonomyId, Collection<String> origins) {
        return this.<Map<String, Long>>reading(taxonomyId, (session, _, table) -> {
                    var found = new HashMap<String, Long>();
                    if (!origins.isEmpty()) {
                        Jdbc.query(
                                session.getConnection(),
                                "SELECT origin, id FROM " + PhysicalNames.quoted(table.name()) + " WHERE origin IN ("
                                        + Jdbc.marks(origins.size()) + ") AND state <> 'deleted'",
                                row -> found.put(row.getString(1), row.getLong(2)),
                                origins.toArray());
                    }
                    return found;
                })
                .orElse(Map.of());
    }

    /** All records of a record type; exact, by a walk over an index that takes about a fifth of a second for a million. */
    public long total(String recordTypeId) {
        return reading(
                        recordTypeId,
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
    public RecordList.Count count(String recordTypeId, ListQuery query) {
        return reading(
                        recordTypeId,
                        (session, binding, table) -> new ListReader(binding, table, plainLists).count(session, query))
                .orElse(new RecordList.Count(0, true));
    }

    /** How many records of a list have each value of a field, as {@link ValueCounts#of} names them. */
    public Map<String, Long> counts(String recordTypeId, ListQuery query, String fieldId) {
        return reading(
                        recordTypeId,
                        (session, binding, table) -> new ValueCounts(binding, table).of(session, query, fieldId))
                .orElse(Map.of());
    }

    /** The lowest and highest values that a list has of some fields. */
    public Map<String, ValueCounts.LeastAndMost> bounds(String recordTypeId, ListQuery query, List<String> fieldIds) {
        return reading(
                        recordTypeId,
                        (session, binding, table) -> new ValueCounts(binding, table).bounds(session, query, fieldIds))
                .orElse(Map.of());
    }

    public Optional<StoredRecord> byId(String recordTypeId, long id) {
        return byIds(recordTypeId, List.of(id)).stream().findFirst();
    }

    /** In the order of the ids; those that are not there, or deleted, are left out. */
    public List<StoredRecord> byIds(String recordTypeId, Collection<Long> some) {
        return reading(
                        recordTypeId,
                        (session, _, table) -> new RecordLoader(table).byIds(session.getConnection(), some))
                .orElse(List.of())
                .stream()
                .filter(record -> !record.deleted())
                .toList();
    }

    /** A few fields of records, with what they carry; in the order of the ids. */
    public List<StoredRecord> byIds(String recordTypeId, Collection<Long> some, Set<String> fields) {
        return reading(
                        recordTypeId,
                        (session, _, table) -> new RecordLoader(table, fields).byIds(session.getConnection(), some))
                .orElse(List.of())
                .stream()
                .filter(record -> !record.deleted())
                .toList();
    }

    /** The values of site values; empty where nobody has stored any yet. */
    public Optional<StoredRecord> single(String recordTypeId) {
        return byId(recordTypeId, SINGLE);
    }

    /** The records directly under another, in their order; those under none for 0. */
    public List<StoredRecord> under(String recordTypeId, long parent) {
        return reading(recordTypeId, (session, _, table) -> {
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
                        parameters.add(table.recordType().id());
                        return "SELECT ? FROM DUAL WHERE EXISTS (SELECT 1 FROM " + PhysicalNames.quoted(table.name())
                                + " WHERE " + Placements.VISIBLE + ")";
                    })
                    .collect(Collectors.joining(" UNION ALL "));
            return Set.copyOf(Jdbc.query(session.getConnection(), sql, row -> row.getString(1), parameters.toArray()));
        });
    }

    /** All that is not deleted, by place and position: for taxonomies, which people read whole. */
    public List<StoredRecord> all(String recordTypeId, int most) {
        return reading(recordTypeId, (session, _, table) -> {
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
    public Map<Long, String> addresses(String recordTypeId, Collection<StoredRecord> records) {
        return reading(
                        recordTypeId,
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
    public Optional<AddressedRecord> byAddress(String recordTypeId, String address) {
        return reading(recordTypeId, (session, binding, table) -> {
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
            var before = Placements.formerly(connection, recordTypeId, slug);
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
        var recordTypes = audience == Audience.PEOPLE ? null : bindings.reading(database, (_, binding) -> binding);
        var now = Instant.now();
        var byType = new HashMap<String, Set<Long>>();
        links.forEach(link -> byType.computeIfAbsent(link.type(), _ -> new java.util.LinkedHashSet<>())
                .add(link.id()));
        var named = new HashMap<Link, Named>();
        byType.keySet()
                .removeIf(type -> recordTypes != null
                        && recordTypes
                                .table(type)
                                .filter(table -> audience.reads(table.recordType()))
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
     * @param recordTypeId of what points
     * @param fieldId the relation
     * @param records up to two hundred
     */
    public record Pointers(String recordTypeId, String fieldId, List<Long> records) {}

    /** Everything that leads to a record, relation by relation. */
    public List<Pointers> pointers(String recordTypeId, long id) {
        return bindings.reading(database, (session, binding) -> {
            var pointers = new ArrayList<Pointers>();
            for (var table : binding.tables().values()) {
                for (var place : table.fields().entrySet()) {
                    var field = table.recordType().field(place.getKey());
                    boolean leads = field.isPresent()
                            && (field.get().kind() instanceof Kind.Relation relation
                                            && relation.to().contains(recordTypeId)
                                            && !(relation.symmetric())
                                    || field.get().kind() instanceof Kind.TermPick pick
                                            && pick.taxonomy().equals(recordTypeId));
                    if (leads) {
                        var records = pointing(
                                session.getConnection(),
                                table,
                                place.getValue(),
                                field.get().kind(),
                                id);
                        if (!records.isEmpty()) {
                            pointers.add(new Pointers(
                                    table.recordType().id(), field.get().id(), records));
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
            var recordTypes = Jdbc.query(
                    connection,
                    "SELECT DISTINCT holder_id FROM jontrel_media_use WHERE media_id = ?",
                    row -> row.getString(1),
                    file);
            for (var recordType : recordTypes) {
                var table = binding.table(recordType);
                if (table.isPresent()) {
                    uses.addAll(Jdbc.query(
                            connection,
                            "SELECT r.id FROM jontrel_media_use u JOIN "
                                    + PhysicalNames.quoted(table.get().name()) + " r ON r.id = u.record_id"
                                    + " WHERE u.media_id = ? AND u.holder_id = ? AND " + Placements.VISIBLE + " LIMIT "
                                    + MOST_FILE_USES,
                            row -> new Link(recordType, row.getLong(1)),
                            file,
                            recordType));
                }
            }
            return uses;
        });
    }

    /** Past states of a record, newest first; the present one is not among them. */
    public List<PastState> history(String recordTypeId, long id) {
        return reading(
                        recordTypeId,
                        (session, binding, _) -> Histories.of(session.getConnection(), binding, recordTypeId, id))
                .orElse(List.of());
    }

    /** Why a stored record does not satisfy its definition. */
    public List<FormCheck.Problem> problems(String recordTypeId, StoredRecord record) {
        return reading(
                        recordTypeId,
                        (session, binding, table) -> RecordCheck.check(
                                        table.recordType(),
                                        record.values(),
                                        new SiteSurroundings(
                                                session.getConnection(), binding, record.state(), record.parent()))
                                .problems())
                .orElse(List.of());
    }

    /** What a form that is being filled in has to say; stored nowhere. */
    public Optional<RecordCheck.CheckedRecord> check(Write write) {
        return reading(
                write.recordTypeId(),
                (session, binding, table) -> RecordCheck.read(
                        table.recordType(),
                        write.raw(),
                        new SiteSurroundings(session.getConnection(), binding, write.state(), write.parent())));
    }

    private interface ReadWork<T> {
        T with(SqlSession session, Binding binding, Binding.BoundTables table) throws SQLException;
    }

    /** Reads, and once more where a switch took a name away in between. */
    private <T> Optional<T> reading(String recordTypeId, ReadWork<T> work) {
        return bindings.reading(database, (session, binding) -> {
            var table = binding.table(recordTypeId);
            return table.isEmpty() ? Optional.empty() : Optional.ofNullable(work.with(session, binding, table.get()));
        });
    }
}
