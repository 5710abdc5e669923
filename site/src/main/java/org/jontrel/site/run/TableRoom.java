package org.jontrel.site.run;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.finding.Place;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Model;
import org.jontrel.core.plan.Plan;
import org.jontrel.core.plan.Step;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.site.table.Ddl;
import org.jontrel.site.table.Jdbc;
import org.jontrel.site.table.PhysicalNames;
import org.jontrel.site.table.Schema;

/**
 * Whether the columns and indexes that a plan adds have room beside those that are there, held ones among them. Counted
 * before a run, which would else stop in the middle.
 */
final class TableRoom {
    /** The database's 65,535 bytes a row, less its own and the null flags. */
    private static final long MOST_BYTES = 65_000;

    private static final int MOST_COLUMNS = 1_000;
    private static final int MOST_INDEXES = 64;
    private final Connection connection;
    private final Model to;
    private final List<HeldPlace> held;

    TableRoom(Connection connection, Model to) throws SQLException {
        this.connection = connection;
        this.to = to;
        this.held = HeldPlace.all(connection);
    }

    /** What has to go first, for each table that has no room. */
    List<Finding> lacking(List<Plan.PlannedStep> steps) throws SQLException {
        var columns = new HashMap<String, TableAdditions>();
        for (var planned : steps) {
            switch (planned.step()) {
                case Step.AddColumn(String recordTypeId, String fieldId) ->
                    added(columns, recordTypeId, fieldId).fields.add(SiteFacts.field(to, recordTypeId, fieldId));
                case Step.IndexColumn(String recordTypeId, String fieldId) ->
                    added(columns, recordTypeId, fieldId).indexes++;
                default -> {}
            }
        }
        var findings = new ArrayList<Finding>();
        for (var each : columns.values()) {
            lacking(each, findings);
        }
        return findings;
    }

    /** What a plan adds to one table. */
    private static final class TableAdditions {
        private final RecordType recordType;
        private final String table;
        private final Set<Field> fields = new HashSet<>();
        private int indexes;

        TableAdditions(RecordType recordType, String table) {
            this.recordType = recordType;
            this.table = table;
        }
    }

    /** A table that is made by the plan itself has room: the checker counted that. */
    private TableAdditions added(Map<String, TableAdditions> all, String recordTypeId, String fieldId)
            throws SQLException {
        var recordType = SiteFacts.recordType(to, recordTypeId);
        var table = Schema.tableOf(connection, recordTypeId, SiteFacts.tableId(recordType, fieldId))
                .orElse("");
        return all.computeIfAbsent(recordTypeId + " " + table, _ -> new TableAdditions(recordType, table));
    }

    private void lacking(TableAdditions added, List<Finding> findings) throws SQLException {
        if (added.table.isEmpty()) {
            return;
        }
        var sizes = sizes(added.table);
        long bytes = sizes.values().stream().mapToLong(Long::longValue).sum();
        long more = added.fields.stream()
                .mapToLong(field -> bytes(Ddl.type(field.kind())))
                .sum();
        int indexes = Schema.indexes(connection, added.table).size();
        String what = null;
        if (bytes + more > MOST_BYTES) {
            long ofHeld = sizes.entrySet().stream()
                    .filter(column -> PhysicalNames.heldAs(column.getKey()).isPresent())
                    .mapToLong(Map.Entry::getValue)
                    .sum();
            what = "%,d of its %,d bytes a row are taken, %,d of them by held values, and %,d more are needed"
                    .formatted(bytes, MOST_BYTES, ofHeld, more);
        } else if (sizes.size() + added.fields.size() > MOST_COLUMNS) {
            what = "it has %,d of at most %,d columns".formatted(sizes.size(), MOST_COLUMNS);
        } else if (indexes + added.indexes > MOST_INDEXES) {
            what = "it has %d of at most %d indexes".formatted(indexes, MOST_INDEXES);
        }
        if (what != null) {
            findings.add(Finding.of(
                    Code.PLAN_NO_ROOM,
                    Place.definition(added.recordType.id(), ""),
                    added.recordType.plural(),
                    what,
                    way(added.table)));
        }
    }

    private String way(String table) {
        var there = held.stream()
                .filter(place -> place.table().equals(table))
                .map(place -> place.field().map(Field::label).orElse(place.name()))
                .distinct()
                .toList();
        return there.isEmpty()
                ? "Change some texts to long texts, or move fields into a repeater."
                : "Purge held values of it under Held values first: " + String.join(", ", there) + ".";
    }

    private Map<String, Long> sizes(String table) throws SQLException {
        var sql = "SELECT column_name, column_type, COALESCE(character_octet_length, 0) FROM information_schema.columns"
                + " WHERE table_schema = DATABASE() AND table_name = ?";
        var sizes = new HashMap<String, Long>();
        Jdbc.each(
                connection,
                sql,
                row -> {
                    var type = row.getString(2);
                    boolean text = type.startsWith("varchar") || type.startsWith("char");
                    sizes.put(row.getString(1), text ? row.getLong(3) + 2 : bytes(type));
                },
                table);
        return sizes;
    }

    /** What a type takes of a row; long texts stand elsewhere. */
    private static long bytes(String type) {
        var word = type.toLowerCase(java.util.Locale.ROOT);
        if (word.startsWith("varchar(") || word.startsWith("char(")) {
            long signs = Long.parseLong(word.substring(word.indexOf('(') + 1, word.indexOf(')')));
            return signs * (word.contains("ascii") ? 1 : 4) + 2;
        }
        if (word.startsWith("tinyint")) {
            return 1;
        }
        return word.startsWith("date") && !word.startsWith("datetime") || word.startsWith("time") ? 6 : 12;
    }
}
