package org.jontrel.site.record.write;

import java.sql.Connection;
import java.sql.SQLException;
import java.time.Instant;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.finding.Place;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.condition.RecordState;
import org.jontrel.core.record.FormCheck;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.core.value.Link;
import org.jontrel.site.record.address.Placements;
import org.jontrel.site.record.address.Slugs;
import org.jontrel.site.record.address.TakenSlugs;
import org.jontrel.site.record.read.StoredRecord;
import org.jontrel.site.table.Binding;
import org.jontrel.site.table.Jdbc;
import org.jontrel.site.table.PhysicalNames;

/** Where records that are saved together stand: under which parent, at which address and position, and from when until when. */
final class PlaceCheck {
    private static final Instant EARLIEST = Instant.parse("1000-01-01T00:00:00Z");
    private static final Instant LATEST = Instant.parse("9999-12-31T23:59:59Z");
    private final Connection connection;
    private final Binding binding;
    private final Binding.BoundTables table;
    private final RecordType recordType;
    private final TakenSlugs addresses;
    private final boolean crowded;
    private final Set<Link> expected;
    private final Map<Link, Boolean> parents = new HashMap<>();
    private final Map<Long, Integer> positions = new HashMap<>();

    /**
     * @param crowded whether others are taking slugs of the same title at the same time
     * @param expected what counts as there though it is not yet
     */
    PlaceCheck(
            Connection connection,
            Binding binding,
            Binding.BoundTables table,
            TakenSlugs addresses,
            boolean crowded,
            Set<Link> expected) {
        this.expected = expected;
        this.connection = connection;
        this.binding = binding;
        this.table = table;
        this.recordType = table.recordType();
        this.addresses = addresses;
        this.crowded = crowded;
    }

    /** The record's slug; what cannot be is added to its problems. */
    String check(PendingRecord each) throws SQLException {
        parent(each);
        moments(each);
        return slug(each);
    }

    /** Among those with the same parent, counted from 0; new ones come last. */
    int position(PendingRecord each) throws SQLException {
        var write = each.write();
        if (write.position().isPresent()) {
            return write.position().get();
        }
        boolean stays =
                each.before().isPresent() && each.before().get().parent().equals(write.parent());
        if (stays
                || recordType.nesting().under().isEmpty()
                        && recordType.definition().sort() != Definition.Sort.TAXONOMY) {
            return each.before().map(StoredRecord::position).orElse(0);
        }
        var highest = positions.get(each.parentId());
        if (highest == null) {
            highest = Jdbc.query(
                            connection,
                            "SELECT COALESCE(MAX(position), -1) FROM " + PhysicalNames.quoted(table.name())
                                    + " WHERE parent_id = ?",
                            row -> row.getInt(1),
                            each.parentId())
                    .getFirst();
        }
        positions.put(each.parentId(), highest + 1);
        return highest + 1;
    }

    private void parent(PendingRecord each) throws SQLException {
        var nesting = recordType.nesting();
        if (each.write().parent().isEmpty()) {
            if (nesting.required() && !nesting.under().isEmpty()) {
                problem(each, "parent", Code.RECORD_PARENT_REQUIRED, recordType.singular());
            }
            return;
        }
        var parent = each.write().parent().get();
        if (each.before().flatMap(StoredRecord::parent).equals(each.write().parent())) {
            return;
        }
        var there = parents.get(parent);
        if (there == null) {
            there = nesting.under().contains(parent.type())
                    && (expected.contains(parent) || References.there(connection, binding, parent));
            parents.put(parent, there);
        }
        if (!there) {
            problem(each, "parent", Code.RECORD_PARENT, recordType.singular());
        } else if (each.before().isPresent()
                && Placements.above(connection, binding, each.write().parent())
                        .contains(new Link(recordType.id(), each.id()))) {
            problem(each, "parent", Code.RECORD_PARENT_CIRCLE, recordType.singular());
        }
    }

    private String slug(PendingRecord each) throws SQLException {
        var write = each.write();
        long parent = each.parentId();
        if (!write.slug().isEmpty()) {
            if (!Slugs.valid(write.slug())) {
                problem(each, "slug", Code.RECORD_SLUG, write.slug());
            } else if (addresses.taken(parent, write.slug(), each.id())) {
                problem(each, "slug", Code.RECORD_SLUG_TAKEN, write.slug());
            }
            return write.slug();
        }
        if (each.before().isPresent()) {
            var slug = each.before().get().slug();
            if (each.before().get().parentId() == parent || !addresses.taken(parent, slug, each.id())) {
                return slug;
            }
        }
        return crowded
                ? Slugs.certain(each.title(recordType), each.id())
                : addresses.free(parent, each.title(recordType), each.id());
    }

    /** What is scheduled says when; what is public, or will be, retires later than that; both can be stored. */
    private void moments(PendingRecord each) {
        var write = each.write();
        if (write.state() == RecordState.SCHEDULED && write.publishAt().isEmpty()) {
            problem(each, "publish_at", Code.RECORD_SCHEDULE);
        }
        if (!isStorable(write.publishAt())) {
            problem(each, "publish_at", Code.RECORD_MOMENT);
        }
        if (!isStorable(write.retireAt())) {
            problem(each, "retire_at", Code.RECORD_MOMENT);
            return;
        }
        boolean isOpen = write.state() == RecordState.PUBLISHED || write.state() == RecordState.SCHEDULED;
        var earliest = write.state() == RecordState.SCHEDULED
                ? write.publishAt().filter(at -> at.isAfter(Instant.now())).orElse(Instant.now())
                : Instant.now();
        if (isOpen && write.retireAt().filter(at -> !at.isAfter(earliest)).isPresent()) {
            problem(each, "retire_at", Code.RECORD_RETIRE);
        }
    }

    private static boolean isStorable(Optional<Instant> moment) {
        return moment.filter(at -> at.isBefore(EARLIEST) || at.isAfter(LATEST)).isEmpty();
    }

    private void problem(PendingRecord each, String property, Code code, Object... arguments) {
        each.problems()
                .add(new FormCheck.Problem(
                        property, false, Finding.of(code, Place.definition(recordType.id(), property), arguments)));
    }
}
