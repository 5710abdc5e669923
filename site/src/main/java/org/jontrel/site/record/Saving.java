package org.jontrel.site.record;

import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Instant;
import java.time.ZoneOffset;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.finding.Place;
import org.jontrel.core.holder.Holder;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.State;
import org.jontrel.core.value.FormCheck;
import org.jontrel.core.value.Link;
import org.jontrel.core.value.RecordCheck;
import org.jontrel.core.value.Rows;
import org.jontrel.core.value.Values;
import org.jontrel.site.media.MediaStore;
import org.jontrel.site.table.Binding;
import org.jontrel.site.table.Names;
import org.jontrel.site.table.RecordIds;

/** One save, within one transaction over all tables it touches. */
final class Saving {
    private static final int GUARDS = 64;
    private final Connection connection;
    private final Binding binding;
    private final Binding.Table table;
    private final Holder holder;
    private final MediaStore media;
    private final RecordIds ids;
    private final Write write;
    private final List<FormCheck.Problem> problems = new ArrayList<>();

    Saving(Connection connection, Binding binding, Binding.Table table, MediaStore media, RecordIds ids, Write write) {
        this.connection = connection;
        this.binding = binding;
        this.table = table;
        this.holder = table.holder();
        this.media = media;
        this.ids = ids;
        this.write = write;
    }

    /** @param crowded whether others are taking slugs of this title at the same time */
    Saved save(boolean crowded) throws SQLException {
        var before = write.id().isEmpty()
                ? Optional.<StoredRecord>empty()
                : new Loader(table)
                        .byIds(connection, List.of(write.id().get())).stream()
                                .filter(record -> !record.deleted())
                                .findFirst();
        if (before.isEmpty() && write.id().isPresent() && !(holder.single() && write.version() == 0)) {
            return new Saved.Missing();
        }
        if (before.isPresent() && before.get().version() != write.version()) {
            return new Saved.Conflict(before.get());
        }
        guard();
        long id = write.id().orElseGet(ids::next);
        var checked = check(before);
        var known = before.map(record -> Rows.ids(record.values())).orElse(Set.of());
        var values = Rows.settled(checked.values(), known, ids::next);
        var was = Flat.of(holder, before.map(StoredRecord::values).orElse(Map.of()));
        var is = Flat.of(holder, values);
        var references = new References(binding, table, media);
        problems.addAll(references.check(connection, id, was, is));
        problems.addAll(references.taken(connection, id, was, is));
        parent(id, before);
        var slug = slug(id, before, values, crowded);
        if (!problems.isEmpty()) {
            return new Saved.Refused(problems.stream().distinct().toList());
        }
        var now = Instant.now().truncatedTo(ChronoUnit.MICROS);
        var after = new StoredRecord(
                id,
                slug,
                write.parent(),
                position(before),
                write.state(),
                false,
                write.state() == State.SCHEDULED ? write.publishAt() : Optional.empty(),
                before.map(StoredRecord::origin).orElse(""),
                before.map(StoredRecord::version).orElse(0) + 1,
                checked.complete(),
                before.map(StoredRecord::createdAt).orElse(now),
                now,
                before.map(StoredRecord::createdBy).orElse(write.author()),
                write.author(),
                values);
        if (before.isPresent() && same(before.get(), after)) {
            return new Saved.Stored(before.get());
        }
        store(before, after, was, is);
        files(id, references.files(was), references.files(is));
        return new Saved.Stored(after);
    }

    /** Writers of what must be unique go one behind the other, by a write that each of them waits for. */
    private void guard() throws SQLException {
        var slots = References.guarded(holder).stream()
                .map(field -> Math.floorMod(field.id().hashCode(), GUARDS))
                .distinct()
                .sorted()
                .toList();
        for (int slot : slots) {
            Jdbc.update(connection, "UPDATE jontrel_guard SET passed = passed + 1 WHERE slot = ?", slot);
        }
    }

    private RecordCheck.Checked check(Optional<StoredRecord> before) {
        var around = new SiteSurroundings(connection, binding, write.state(), write.parent());
        Map<String, Object> raw = new LinkedHashMap<>();
        if (!write.whole() && before.isPresent()) {
            raw.putAll(Values.wire(holder.fields().toList(), before.get().values()));
        }
        raw.putAll(write.raw());
        var checked = RecordCheck.read(holder, raw, around);
        var tolerated = before.map(record -> RecordCheck.check(holder, record.values(), around).problems().stream()
                        .filter(problem -> !problem.required())
                        .map(Saving::told)
                        .collect(Collectors.toSet()))
                .orElse(Set.of());
        boolean open = write.state() == State.PUBLISHED || write.state() == State.SCHEDULED;
        checked.problems().stream()
                .filter(problem -> problem.required()
                        ? open || problem.finding().place().field().equals("part_title")
                        : !tolerated.contains(told(problem)))
                .forEach(problems::add);
        return checked;
    }

    /** What was wrong already, and is wrong in the same way, keeps nobody from mending something else. */
    private static String told(FormCheck.Problem problem) {
        return problem.path() + " " + problem.finding().sentence();
    }

    private void problem(String property, Code code, Object... arguments) {
        problems.add(new FormCheck.Problem(
                property, false, Finding.of(code, Place.definition(holder.id(), property), arguments)));
    }

    private void parent(long id, Optional<StoredRecord> before) throws SQLException {
        var nesting = holder.nesting();
        if (write.parent().isEmpty()) {
            if (nesting.required() && !nesting.under().isEmpty()) {
                problem("parent", Code.RECORD_PARENT_REQUIRED, holder.singular());
            }
            return;
        }
        var parent = write.parent().get();
        if (before.flatMap(StoredRecord::parent).equals(write.parent())) {
            return;
        }
        boolean there = nesting.under().contains(parent.type())
                && !References.there(connection, binding, parent.type(), Set.of(parent.id()))
                        .isEmpty();
        if (!there) {
            problem("parent", Code.RECORD_PARENT, holder.singular());
        } else if (Places.above(connection, binding, write.parent()).contains(new Link(holder.id(), id))) {
            problem("parent", Code.RECORD_PARENT_CIRCLE, holder.singular());
        }
    }

    private String slug(long id, Optional<StoredRecord> before, Map<String, Object> values, boolean crowded)
            throws SQLException {
        if (write.state() == State.SCHEDULED && write.publishAt().isEmpty()) {
            problem("publish_at", Code.RECORD_SCHEDULE);
        }
        long parent = write.parent().map(Link::id).orElse(0L);
        var title = String.valueOf(values.getOrDefault("part_title", holder.single() ? holder.key() : ""));
        if (!write.slug().isEmpty()) {
            if (!Slugs.valid(write.slug())) {
                problem("slug", Code.RECORD_SLUG, write.slug());
            } else if (Places.taken(connection, table, parent, write.slug(), id)) {
                problem("slug", Code.RECORD_SLUG_TAKEN, write.slug());
            }
            return write.slug();
        }
        if (before.isPresent()
                && (before.get().parentId() == parent
                        || !Places.taken(connection, table, parent, before.get().slug(), id))) {
            return before.get().slug();
        }
        if (crowded) {
            return Slugs.certain(title, id);
        }
        try {
            return Slugs.free(title, candidate -> {
                try {
                    return Places.taken(connection, table, parent, candidate, id);
                } catch (SQLException e) {
                    throw new org.jontrel.site.table.DatabaseException(e);
                }
            });
        } catch (org.jontrel.site.table.DatabaseException e) {
            throw (SQLException) e.getCause();
        }
    }

    private int position(Optional<StoredRecord> before) throws SQLException {
        if (write.position().isPresent()) {
            return write.position().get();
        }
        boolean stays = before.isPresent() && before.get().parent().equals(write.parent());
        if (stays || holder.nesting().under().isEmpty() && holder.definition().sort() != Definition.Sort.TAXONOMY) {
            return before.map(StoredRecord::position).orElse(0);
        }
        return Jdbc.query(
                        connection,
                        "SELECT COALESCE(MAX(position), -1) + 1 FROM " + Names.quoted(table.name())
                                + " WHERE parent_id = ?",
                        row -> row.getInt(1),
                        write.parent().map(Link::id).orElse(0L))
                .getFirst();
    }

    private static boolean same(StoredRecord before, StoredRecord after) {
        return before.values().equals(after.values())
                && before.slug().equals(after.slug())
                && before.parent().equals(after.parent())
                && before.position() == after.position()
                && before.state() == after.state()
                && before.complete() == after.complete()
                && before.publishAt().equals(after.publishAt());
    }

    private void store(Optional<StoredRecord> before, StoredRecord after, Flat was, Flat is) throws SQLException {
        var saver = new Saver(table);
        var columns = saver.columns();
        if (before.isEmpty()) {
            insert(connection, table, after, is);
            Places.settled(connection, holder.id(), after.parentId(), after.slug());
        } else {
            Histories.keep(connection, binding, holder, before.get());
            update(after, saver, columns, is);
            Places.moved(connection, holder.id(), before.get(), after.parentId(), after.slug());
        }
        saver.entries(connection, after.id(), was, is);
        boolean sameWords = before.map(record -> Words.of(holder, record.values()))
                .map(words -> words.equals(Words.of(holder, after.values())))
                .orElse(false);
        if (!sameWords) {
            Words.store(connection, holder, after.id(), after.values());
        }
        if (holder.definition().sort() == Definition.Sort.TAXONOMY
                && (before.isEmpty() || !before.get().parent().equals(after.parent()))) {
            new TermTree(connection, table).placed(after.id(), after.parentId());
        }
    }

    static List<Object> own(StoredRecord record) {
        var own = new ArrayList<Object>();
        own.add(record.slug());
        own.add(record.parent().map(Link::type).orElse(""));
        own.add(record.parentId());
        own.add(record.position());
        own.add(record.state().code());
        own.add(record.publishAt().map(Saving::timestamp).orElse(null));
        own.add(record.origin().isEmpty() ? null : record.origin());
        own.add(record.version());
        own.add(record.complete());
        own.add(timestamp(record.createdAt()));
        own.add(timestamp(record.updatedAt()));
        own.add(record.createdBy());
        own.add(record.updatedBy());
        return own;
    }

    private static Timestamp timestamp(Instant instant) {
        return Timestamp.valueOf(instant.atOffset(ZoneOffset.UTC).toLocalDateTime());
    }

    private static final List<String> OWN = List.of(
            "slug",
            "parent_type",
            "parent_id",
            "position",
            "state",
            "publish_at",
            "origin",
            "version",
            "complete",
            "created_at",
            "updated_at",
            "created_by",
            "updated_by");

    /** The row of a new record in its own table. */
    static void insert(Connection connection, Binding.Table table, StoredRecord record, Flat flat) throws SQLException {
        var saver = new Saver(table);
        var columns = saver.columns();
        var names = new ArrayList<>(OWN);
        columns.forEach(field -> names.add(saver.quoted(field)));
        names.add("id");
        var cells = own(record);
        columns.forEach(field -> cells.add(flat.columns().get(field.id())));
        cells.add(record.id());
        Jdbc.update(
                connection,
                "INSERT INTO " + Names.quoted(table.name()) + " (" + String.join(", ", names) + ") VALUES ("
                        + Jdbc.marks(names.size()) + ")",
                cells);
    }

    private void update(StoredRecord after, Saver saver, List<Field> columns, Flat is) throws SQLException {
        var names = new ArrayList<>(OWN);
        columns.forEach(field -> names.add(saver.quoted(field)));
        var cells = own(after);
        columns.forEach(field -> cells.add(is.columns().get(field.id())));
        cells.add(after.id());
        cells.add(write.version());
        int changed = Jdbc.update(
                connection,
                "UPDATE " + Names.quoted(table.name()) + " SET " + String.join(" = ?, ", names)
                        + " = ? WHERE id = ? AND version = ?",
                cells);
        if (changed == 0) {
            throw new Overtaken();
        }
    }

    /** Somebody else stored the record between the reading and the writing; the save is tried again and meets it. */
    static final class Overtaken extends RuntimeException {}

    private void files(long id, Set<Long> was, Set<Long> is) throws SQLException {
        for (var file : was) {
            if (!is.contains(file)) {
                Jdbc.update(
                        connection,
                        "DELETE FROM jontrel_media_use WHERE media_id = ? AND holder_id = ? AND record_id = ?",
                        file,
                        holder.id(),
                        id);
            }
        }
        for (var file : is) {
            if (!was.contains(file)) {
                Jdbc.update(
                        connection,
                        "INSERT IGNORE INTO jontrel_media_use (media_id, holder_id, record_id) VALUES (?, ?, ?)",
                        file,
                        holder.id(),
                        id);
            }
        }
    }
}
