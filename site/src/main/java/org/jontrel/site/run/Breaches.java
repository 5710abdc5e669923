package org.jontrel.site.run;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.EnumMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.plan.fact.Breach;
import org.jontrel.core.recordtype.FieldStorage;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.site.table.Binding;
import org.jontrel.site.table.Jdbc;
import org.jontrel.site.table.PhysicalNames;

/** Counts what is stored and newer definitions no longer allow, by one statement for each sort. */
final class Breaches {
    private final Connection connection;
    private final Binding.BoundTables table;

    Breaches(Connection connection, Binding.BoundTables table) {
        this.connection = connection;
        this.table = table;
    }

    /** Of a field that stays a field of its kind. */
    Map<Breach, Long> of(Field before, Field after) throws SQLException {
        var found = new EnumMap<Breach, Long>(Breach.class);
        if (Kind.same(before.kind(), after.kind())) {
            if (isUnique(after) && !isUnique(before)) {
                put(found, Breach.TWICE, twice(after));
            }
            var most = most(after.kind());
            if (most.isPresent() && !most.equals(most(before.kind()))) {
                put(found, Breach.TOO_MANY, tooMany(after, most.get()));
            }
            if (before.kind() instanceof Kind.Relation was && after.kind() instanceof Kind.Relation is) {
                put(found, Breach.TARGET, outside(after, was, is));
            }
        }
        return found;
    }

    private static void put(Map<Breach, Long> found, Breach breach, long count) {
        if (count > 0) {
            found.put(breach, count);
        }
    }

    private static boolean isUnique(Field field) {
        return field.kind() instanceof Kind.Text text && text.unique();
    }

    /** How many a field may hold, where it holds them in a table of its own. */
    private static Optional<Integer> most(Kind kind) {
        if (kind instanceof Kind.Repeater rows) {
            return Optional.ofNullable(rows.maxRows());
        }
        if (FieldStorage.of(kind) != FieldStorage.TABLE) {
            return Optional.empty();
        }
        return kind.amount().many() ? Optional.ofNullable(kind.amount().max()) : Optional.of(1);
    }

    private long twice(Field field) throws SQLException {
        var place = table.placeOf(field.id());
        var column = place.map(each -> each.columns().get(field.id()));
        if (column.isEmpty()) {
            return 0;
        }
        var present = place.get().name().equals(table.name()) ? " AND state <> 'deleted'" : "";
        var value = PhysicalNames.quoted(column.get());
        return Jdbc.number(
                connection,
                "SELECT COALESCE(SUM(n), 0) FROM (SELECT COUNT(*) AS n FROM "
                        + PhysicalNames.quoted(place.get().name()) + " WHERE " + value + " IS NOT NULL" + present
                        + " GROUP BY "
                        + value
                        + " HAVING COUNT(*) > 1) AS shared");
    }

    /** Records, or rows around it, that have more. */
    private long tooMany(Field field, int most) throws SQLException {
        var place = table.fields().get(field.id());
        return place == null
                ? 0
                : Jdbc.number(
                        connection,
                        "SELECT COUNT(DISTINCT record_id) FROM (SELECT record_id FROM "
                                + PhysicalNames.quoted(place.name()) + " GROUP BY record_id, row_id HAVING COUNT(*) > "
                                + most + ") AS full");
    }

    private long outside(Field field, Kind.Relation before, Kind.Relation after) throws SQLException {
        var place = table.fields().get(field.id());
        var gone = new HashSet<>(before.to());
        gone.removeAll(after.to());
        boolean anywhere = after.to().isEmpty();
        if (place == null || anywhere || gone.isEmpty() && !before.to().isEmpty()) {
            return 0;
        }
        return Jdbc.number(
                connection,
                "SELECT COUNT(*) FROM " + PhysicalNames.quoted(place.name()) + " WHERE target_type NOT IN ("
                        + listed(List.copyOf(after.to())) + ")");
    }

    /** Records under what the newer definition does not name; the root is not counted. */
    Map<Breach, Long> parents(RecordType after) throws SQLException {
        var found = new EnumMap<Breach, Long>(Breach.class);
        if (!table.recordType().nesting().under().equals(after.nesting().under())) {
            var allowed = List.copyOf(after.nesting().under());
            put(
                    found,
                    Breach.PARENT,
                    Jdbc.number(
                            connection,
                            "SELECT COUNT(*) FROM " + PhysicalNames.quoted(table.name())
                                    + " WHERE parent_id <> 0 AND state <> 'deleted'"
                                    + (allowed.isEmpty() ? "" : " AND parent_type NOT IN (" + listed(allowed) + ")")));
        }
        return found;
    }

    private static String listed(List<String> ids) {
        return ids.stream().map(PhysicalNames::comment).collect(Collectors.joining(", "));
    }
}
