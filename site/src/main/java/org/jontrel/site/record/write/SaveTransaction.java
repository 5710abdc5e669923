package org.jontrel.site.record.write;

import java.sql.Connection;
import java.sql.SQLException;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.condition.RecordState;
import org.jontrel.core.record.FormCheck;
import org.jontrel.core.record.RecordCheck;
import org.jontrel.core.record.Values;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.core.value.Link;
import org.jontrel.core.value.RowIds;
import org.jontrel.site.media.MediaStore;
import org.jontrel.site.record.address.Placements;
import org.jontrel.site.record.address.Slugs;
import org.jontrel.site.record.address.TakenSlugs;
import org.jontrel.site.record.read.RecordLoader;
import org.jontrel.site.record.read.SiteSurroundings;
import org.jontrel.site.record.read.StoredRecord;
import org.jontrel.site.record.read.TermTree;
import org.jontrel.site.table.Binding;
import org.jontrel.site.table.Gate;
import org.jontrel.site.table.Jdbc;
import org.jontrel.site.table.PhysicalNames;
import org.jontrel.site.table.RecordIds;
import org.jontrel.site.table.Statements;

/**
 * Saves of one record type's records, within one transaction over all tables they touch. New records are checked and stored
 * together, so that many cost few statements.
 */
public final class SaveTransaction {
    /** New records that go together. */
    public static final int TOGETHER = 1_000;

    private static final int GUARDS = 64;
    private final Connection connection;
    private final Binding binding;
    private final Binding.BoundTables table;
    private final RecordType recordType;
    private final MediaStore media;
    private final RecordIds ids;
    private final boolean crowded;
    private final Set<Link> expected;
    private final SiteSurroundings around;
    private final Statements statements = new Statements();

    /** @param crowded whether others are taking slugs of the same title at the same time */
    public SaveTransaction(
            Connection connection,
            Binding binding,
            Binding.BoundTables table,
            MediaStore media,
            RecordIds ids,
            boolean crowded) {
        this(connection, binding, table, media, ids, crowded, Set.of());
    }

    /**
     * @param crowded whether others are taking slugs of the same title at the same time
     * @param expected what is not there yet and may be led to all the same, since it is about to be made
     */
    public SaveTransaction(
            Connection connection,
            Binding binding,
            Binding.BoundTables table,
            MediaStore media,
            RecordIds ids,
            boolean crowded,
            Set<Link> expected) {
        this.connection = connection;
        this.binding = binding;
        this.table = table;
        this.recordType = table.recordType();
        this.media = media;
        this.ids = ids;
        this.crowded = crowded;
        this.expected = expected;
        this.around = new SiteSurroundings(connection, binding, RecordState.DRAFT, Optional.empty());
    }

    /** Somebody else stored the record between the reading and the writing; the save is tried again and meets it. */
    public static final class Overtaken extends RuntimeException {}

    public SaveResult save(Write write) throws SQLException {
        var before = write.id().isEmpty()
                ? Optional.<StoredRecord>empty()
                : new RecordLoader(table)
                        .byIds(connection, List.of(write.id().get())).stream()
                                .filter(record -> !record.deleted())
                                .findFirst();
        if (before.isEmpty() && write.id().isPresent() && !(recordType.single() && write.version() == 0)) {
            return new SaveResult.Missing();
        }
        if (before.isPresent() && before.get().version() != write.version()) {
            return new SaveResult.Conflict(before.get());
        }
        guard();
        return together(List.of(opened(write, before))).getFirst();
    }

    public SaveResult revive(Write write, StoredRecord was) throws SQLException {
        guard();
        var saved = together(List.of(opened(write, Optional.empty(), RowIds.ids(was.values()))))
                .getFirst();
        if (!(saved instanceof SaveResult.Stored)) {
            return saved;
        }
        Jdbc.update(
                connection,
                "UPDATE " + PhysicalNames.quoted(table.name()) + " SET version = ?, created_at = ?, created_by = ?,"
                        + " updated_at = ?, updated_by = ? WHERE id = ?",
                was.version(),
                RecordTableWriter.timestamp(was.createdAt()),
                was.createdBy(),
                RecordTableWriter.timestamp(was.updatedAt()),
                was.updatedBy(),
                was.id());
        return new RecordLoader(table)
                .byIds(connection, List.of(was.id())).stream()
                        .findFirst()
                        .<SaveResult>map(SaveResult.Stored::new)
                        .orElseGet(SaveResult.Missing::new);
    }

    /** New records; where one is refused, none of them may be kept. */
    public List<SaveResult> add(List<Write> writes) throws SQLException {
        guard();
        var cases =
                writes.stream().map(write -> opened(write, Optional.empty())).toList();
        var unique = References.uniqueTexts(
                recordType, cases.stream().map(PendingRecord::is).toList());
        if (!new References(connection, binding, table, media).twice(unique)) {
            return together(cases);
        }
        var saved = new ArrayList<SaveResult>();
        for (var each : cases) {
            saved.addAll(together(List.of(each)));
        }
        return saved;
    }

    /**
     * A record to be made or changed, with the id that it has or gets.
     *
     * @param write what it becomes, of what it is; {@code null} where it must be there to become something
     */
    public record Incoming(long id, Function<Optional<StoredRecord>, Write> write) {}

    /** Makes and changes records; those that are refused, or were removed, are left out, and the others are kept. */
    public List<SaveResult> bring(List<Incoming> all) throws SQLException {
        guard();
        var pending = pending(all);
        var cases = pending.stream().flatMap(Optional::stream).toList();
        var unique = References.uniqueTexts(
                recordType, cases.stream().map(PendingRecord::is).toList());
        if (!references().twice(unique)) {
            return inTheirPlaces(pending, together(cases));
        }
        var saved = new ArrayList<SaveResult>();
        for (var each : cases) {
            saved.addAll(together(List.of(each)));
        }
        return inTheirPlaces(pending, saved);
    }

    /** What {@link #bring} would do; nothing is stored, and nobody waits. */
    public List<SaveResult> examine(List<Incoming> all) throws SQLException {
        var pending = pending(all);
        return inTheirPlaces(
                pending, together(pending.stream().flatMap(Optional::stream).toList(), false));
    }

    private static List<SaveResult> inTheirPlaces(List<Optional<PendingRecord>> pending, List<SaveResult> saved) {
        var next = saved.iterator();
        return pending.stream()
                .map(each -> each.isPresent() ? next.next() : new SaveResult.Missing())
                .toList();
    }

    private List<Optional<PendingRecord>> pending(List<Incoming> all) throws SQLException {
        var there = new HashMap<Long, StoredRecord>();
        new RecordLoader(table)
                .byIds(connection, all.stream().map(Incoming::id).toList())
                .forEach(record -> there.put(record.id(), record));
        return all.stream()
                .map(each -> {
                    var before = Optional.ofNullable(there.get(each.id()));
                    boolean removed = before.filter(StoredRecord::deleted).isPresent();
                    return Optional.ofNullable(removed ? null : each.write().apply(before))
                            .map(write -> opened(write, before));
                })
                .toList();
    }

    private References references() {
        return new References(connection, binding, table, media, expected);
    }

    private PendingRecord opened(Write write, Optional<StoredRecord> before) {
        return opened(
                write, before, before.map(record -> RowIds.ids(record.values())).orElse(Set.of()));
    }

    /** @param known ids of rows that stay what they are */
    private PendingRecord opened(Write write, Optional<StoredRecord> before, Set<Long> known) {
        long id = write.id().orElseGet(ids::next);
        var problems = new ArrayList<FormCheck.Problem>();
        var checked = check(write, before, problems);
        var values = RowIds.settled(checked.values(), known, ids::next);
        return new PendingRecord(
                write,
                id,
                before,
                checked.complete(),
                values,
                before.map(record -> RecordRows.of(recordType, record.values())).orElse(RecordRows.EMPTY),
                RecordRows.of(recordType, values),
                problems);
    }

    private List<SaveResult> together(List<PendingRecord> cases) throws SQLException {
        return together(cases, true);
    }

    private List<SaveResult> together(List<PendingRecord> cases, boolean stores) throws SQLException {
        references().check(cases.stream().map(PendingRecord::change).toList());
        var addresses = new TakenSlugs(connection, table);
        var places = new PlaceCheck(connection, binding, table, addresses, crowded, expected);
        addresses.look(cases.stream()
                .filter(each -> each.before().isEmpty() && each.write().slug().isEmpty() && !crowded)
                .map(each -> Slugs.base(each.title(recordType)))
                .toList());
        var saver = new RecordTableWriter(table, statements);
        var now = Instant.now().truncatedTo(ChronoUnit.MICROS);
        var saved = new ArrayList<SaveResult>();
        var stored = new ArrayList<Long>();
        for (var each : cases) {
            var slug = places.check(each);
            if (!each.problems().isEmpty()) {
                saved.add(new SaveResult.Refused(
                        each.problems().stream().distinct().toList()));
                continue;
            }
            addresses.take(each.parentId(), slug);
            var after = after(each, slug, places.position(each), now);
            if (each.before().isPresent() && same(each.before().get(), after)) {
                saved.add(new SaveResult.Stored(each.before().get()));
                continue;
            }
            if (stores) {
                store(each, after, saver);
                stored.add(after.id());
            }
            saved.add(new SaveResult.Stored(after));
        }
        if (!stores) {
            return saved;
        }
        statements.run(connection);
        trees(cases);
        if (!stored.isEmpty()) {
            Gate.saved(connection, recordType.id(), stored);
        }
        return saved;
    }

    private static StoredRecord after(PendingRecord each, String slug, int position, Instant now) {
        var write = each.write();
        var before = each.before();
        return new StoredRecord(
                each.id(),
                slug,
                write.parent(),
                position,
                write.state(),
                false,
                write.state() == RecordState.SCHEDULED ? seconds(write.publishAt()) : Optional.empty(),
                write.state() == RecordState.RETIRED ? Optional.empty() : seconds(write.retireAt()),
                before.map(StoredRecord::origin).orElse(""),
                before.map(StoredRecord::version).orElse(0) + 1,
                each.complete(),
                before.map(StoredRecord::createdAt).orElse(now),
                now,
                before.map(StoredRecord::createdBy).orElse(write.author()),
                write.author(),
                each.values());
    }

    /** As exact as it is stored. */
    private static Optional<Instant> seconds(Optional<Instant> moment) {
        return moment.map(at -> at.truncatedTo(ChronoUnit.SECONDS));
    }

    /** Writers of what must be unique go one behind the other, by a write that each of them waits for. */
    private void guard() throws SQLException {
        var slots = References.guarded(recordType).stream()
                .map(field -> Math.floorMod(field.id().hashCode(), GUARDS))
                .distinct()
                .sorted()
                .toList();
        for (int slot : slots) {
            Jdbc.update(connection, "UPDATE jontrel_guard SET passed = passed + 1 WHERE slot = ?", slot);
        }
    }

    private RecordCheck.CheckedRecord check(
            Write write, Optional<StoredRecord> before, List<FormCheck.Problem> problems) {
        var there = around.of(write.state(), write.parent());
        Map<String, Object> raw = new LinkedHashMap<>();
        if (!write.whole() && before.isPresent()) {
            raw.putAll(Values.wire(recordType.fields().toList(), before.get().values()));
        }
        raw.putAll(write.raw());
        var checked = RecordCheck.read(recordType, raw, there);
        var tolerated = checked.problems().isEmpty() ? Set.<String>of() : tolerated(before, there);
        boolean open = write.state() == RecordState.PUBLISHED || write.state() == RecordState.SCHEDULED;
        checked.problems().stream()
                .filter(problem -> problem.required()
                        ? open || problem.finding().place().field().equals("part_title")
                        : !tolerated.contains(told(problem)))
                .forEach(problems::add);
        return checked;
    }

    /** What was wrong already, and is wrong in the same way, keeps nobody from mending something else. */
    private Set<String> tolerated(Optional<StoredRecord> before, SiteSurroundings there) {
        return before.map(record -> RecordCheck.check(recordType, record.values(), there).problems().stream()
                        .filter(problem -> !problem.required())
                        .map(SaveTransaction::told)
                        .collect(Collectors.toSet()))
                .orElse(Set.of());
    }

    private static String told(FormCheck.Problem problem) {
        return problem.path() + " " + problem.finding().sentence();
    }

    private static boolean same(StoredRecord before, StoredRecord after) {
        return before.values().equals(after.values())
                && before.slug().equals(after.slug())
                && before.parent().equals(after.parent())
                && before.position() == after.position()
                && before.state() == after.state()
                && before.complete() == after.complete()
                && before.publishAt().equals(after.publishAt())
                && before.retireAt().equals(after.retireAt());
    }

    private void store(PendingRecord each, StoredRecord after, RecordTableWriter saver) throws SQLException {
        if (each.before().isEmpty()) {
            saver.insert(after, each.is());
        } else {
            var before = each.before().get();
            Histories.keep(statements, binding, recordType, before);
            if (!saver.update(connection, before, after, each.was(), each.is())) {
                throw new Overtaken();
            }
            Placements.moved(statements, recordType.id(), before, after);
        }
        var references = new References(connection, binding, table, media);
        files(after.id(), references.files(each.was()), references.files(each.is()));
    }

    private void files(long id, Set<Long> was, Set<Long> is) {
        was.stream()
                .filter(file -> !is.contains(file))
                .forEach(file -> statements.add(
                        "DELETE FROM jontrel_media_use WHERE media_id = ? AND holder_id = ? AND record_id = ?",
                        file,
                        recordType.id(),
                        id));
        is.stream()
                .filter(file -> !was.contains(file))
                .forEach(file -> References.used(statements, file, recordType.id(), id));
    }

    /** Terms that stand elsewhere now, or nowhere before. */
    private void trees(List<PendingRecord> cases) throws SQLException {
        if (recordType.definition().sort() != Definition.Sort.TAXONOMY) {
            return;
        }
        for (var each : cases) {
            boolean moved = each.before().isEmpty()
                    || !each.before().get().parent().equals(each.write().parent());
            if (moved && each.problems().isEmpty()) {
                new TermTree(connection, table).placed(each.id(), each.parentId());
            }
        }
    }
}
