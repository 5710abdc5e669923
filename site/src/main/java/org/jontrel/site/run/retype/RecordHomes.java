package org.jontrel.site.run.retype;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jontrel.core.move.NameLookup;
import org.jontrel.core.retype.TypeMove;
import org.jontrel.core.value.Link;
import org.jontrel.site.record.read.RecordLoader;
import org.jontrel.site.record.read.StoredRecord;
import org.jontrel.site.run.move.SavedSince;
import org.jontrel.site.table.Binding;
import org.jontrel.site.table.DatabaseException;
import org.jontrel.site.table.Jdbc;
import org.jontrel.site.table.PhysicalNames;

/** Of which types records are once a run has made them records of others, or once that is undone. */
abstract sealed class RecordHomes {
    private static final int REMEMBERED = 10_000;
    private final Map<Link, Optional<String>> known = new HashMap<>();

    /** The type of a record from then on; empty where it will be none. Records that have nothing to do with it stay what they are. */
    Optional<String> of(Link record) {
        if (known.size() > REMEMBERED) {
            known.clear();
        }
        return known.computeIfAbsent(record, _ -> {
            try {
                return found(record);
            } catch (SQLException e) {
                throw new DatabaseException(e);
            }
        });
    }

    abstract Optional<String> found(Link record) throws SQLException;

    /** The way that takes a record; empty where none does. */
    static Optional<TypeMove> way(
            List<TypeMove> ways, Binding.BoundTables table, Map<String, Object> values, NameLookup names) {
        return ways.stream()
                .filter(each -> each.when().holds(table.recordType(), values, names))
                .findFirst();
    }

    /** After the run: what they are follows from what they say. */
    static final class HomesAfter extends RecordHomes {
        private final Connection connection;
        private final Binding binding;
        private final List<TypeMove> ways;
        private final NameLookup names;

        /** @param binding the tables in use */
        HomesAfter(Connection connection, Binding binding, List<TypeMove> ways, NameLookup names) {
            this.connection = connection;
            this.binding = binding;
            this.ways = ways;
            this.names = names;
        }

        @Override
        Optional<String> found(Link record) throws SQLException {
            var mine = ways.stream()
                    .filter(each -> each.from().equals(record.type()))
                    .toList();
            var table = binding.table(record.type());
            if (mine.isEmpty() || table.isEmpty()) {
                return Optional.of(record.type());
            }
            if (mine.getFirst().when().isAll()) {
                return Optional.of(mine.getFirst().to());
            }
            return new RecordLoader(table.get(), fields(table.get(), mine))
                    .byIds(connection, List.of(record.id())).stream()
                            .flatMap(each -> way(mine, table.get(), each.values(), names).stream())
                            .map(TypeMove::to)
                            .findFirst();
        }

        /** Ids of the fields of records themselves in which conditions look. */
        private static Set<String> fields(Binding.BoundTables table, List<TypeMove> ways) {
            var fields = new HashSet<String>();
            for (var way : ways) {
                table.recordType()
                        .fields()
                        .filter(each -> each.withInner()
                                .anyMatch(inner -> inner.id().equals(way.when().field())))
                        .forEach(each -> fields.add(each.id()));
            }
            return fields;
        }
    }

    /** After the undo: they are again what they were, by the tables that come back. */
    static final class HomesBefore extends RecordHomes {
        private final Connection connection;
        private final List<TypeMove> ways;
        private final Map<String, Binding.BoundTables> held;

        /** @param held by the ids of the types that come back, their tables */
        HomesBefore(Connection connection, List<TypeMove> ways, Map<String, Binding.BoundTables> held) {
            this.connection = connection;
            this.ways = ways;
            this.held = held;
        }

        @Override
        Optional<String> found(Link record) throws SQLException {
            var from = ways.stream()
                    .filter(each -> each.to().equals(record.type()))
                    .map(TypeMove::from)
                    .distinct()
                    .toList();
            var home = holding(connection, held, from, record.id());
            return home.isPresent() ? home : Optional.of(fresh(record.type()));
        }

        /** What a record becomes that was made since. */
        String fresh(String type) {
            return ways.stream()
                    .filter(each -> each.to().equals(type))
                    .sorted((a, b) -> Boolean.compare(b.stays(), a.stays()))
                    .map(TypeMove::from)
                    .findFirst()
                    .orElse(type);
        }
    }

    /** After the run comes back: they are again what it had made of them, but for those that were saved since. */
    static final class HomesAgain extends RecordHomes {
        private final Connection connection;
        private final HomesAfter after;
        private final List<TypeMove> ways;
        private final Map<String, Binding.BoundTables> held;
        private final SavedSince saved;

        /** @param held by the ids of the types that come back, their tables */
        HomesAgain(
                Connection connection,
                HomesAfter after,
                List<TypeMove> ways,
                Map<String, Binding.BoundTables> held,
                SavedSince saved) {
            this.connection = connection;
            this.after = after;
            this.ways = ways;
            this.held = held;
            this.saved = saved;
        }

        @Override
        Optional<String> found(Link record) throws SQLException {
            var to = ways.stream()
                    .filter(each -> each.from().equals(record.type()))
                    .map(TypeMove::to)
                    .distinct()
                    .toList();
            boolean kept = !to.isEmpty()
                    && saved.of(record.type(), List.of(record.id())).isEmpty();
            var home = kept ? holding(connection, held, to, record.id()) : Optional.<String>empty();
            return home.isPresent() ? home : after.of(record);
        }
    }

    /** The first of some types whose table has the record. */
    private static Optional<String> holding(
            Connection connection, Map<String, Binding.BoundTables> tables, List<String> types, long id)
            throws SQLException {
        for (var type : types) {
            var table = tables.get(type);
            boolean has = table != null
                    && Jdbc.number(
                                    connection,
                                    "SELECT COUNT(*) FROM " + PhysicalNames.quoted(table.name()) + " WHERE id = ?",
                                    id)
                            > 0;
            if (has) {
                return Optional.of(type);
            }
        }
        return Optional.empty();
    }

    /** What a record stands under from then on. */
    Optional<Link> parent(StoredRecord record) {
        return record.parent().flatMap(above -> of(above).map(type -> new Link(type, above.id())));
    }
}
