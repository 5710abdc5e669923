package org.jontrel.site.drift;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.finding.Place;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Taxonomy;
import org.jontrel.site.record.read.TermTree;
import org.jontrel.site.table.Binding;
import org.jontrel.site.table.Binding.BoundTables;
import org.jontrel.site.table.Binding.ValueTable;
import org.jontrel.site.table.IndexDdl;
import org.jontrel.site.table.Jdbc;
import org.jontrel.site.table.PhysicalNames;
import org.jontrel.site.table.Schema;

/**
 * What is wrong within tables that are as they should be: rows of no record, links that lead nowhere, trees that do not fit their
 * terms, and indexes that are gone. Nothing of it keeps a site from being read or a plan from being run.
 */
final class RowDrift {
    private final Connection connection;
    private final Binding binding;
    private final List<Finding> findings = new ArrayList<>();

    private RowDrift(Connection connection, Binding binding) {
        this.connection = connection;
        this.binding = binding;
    }

    static List<Finding> of(Connection connection, Binding binding) throws SQLException {
        var drift = new RowDrift(connection, binding);
        for (var table : binding.tables().values()) {
            drift.look(table);
        }
        return drift.findings;
    }

    private void look(BoundTables table) throws SQLException {
        var recordType = table.recordType();
        int indexes = missing(connection, table).size();
        if (indexes > 0) {
            findings.add(Finding.of(
                    Code.DRIFT_INDEX_GONE, Place.definition(recordType.id(), ""), recordType.plural(), indexes));
        }
        for (var place : table.fields().entrySet()) {
            if (!place.getKey().equals(PhysicalNames.ABOVE)) {
                look(table, place.getKey(), place.getValue());
            }
        }
        if (recordType.definition() instanceof Taxonomy && TermTree.isWrong(connection, table)) {
            findings.add(Finding.of(Code.DRIFT_TREE_WRONG, Place.definition(recordType.id(), ""), recordType.plural()));
        }
    }

    private void look(BoundTables table, String fieldId, ValueTable place) throws SQLException {
        var recordType = table.recordType();
        var at = Place.field(recordType.id(), fieldId, "");
        var label = recordType.field(fieldId).map(Field::label).orElse(recordType.plural());
        long orphans = count(orphans(table, place));
        if (orphans > 0) {
            findings.add(Finding.of(Code.DRIFT_ROWS_ORPHANED, at, label, orphans, recordType.plural()));
        }
        long astray = 0;
        for (var condition : astray(binding, table, fieldId, place)) {
            astray += count(condition);
        }
        if (astray > 0) {
            findings.add(Finding.of(Code.DRIFT_LINKS_ASTRAY, at, label, astray, recordType.plural()));
        }
    }

    private long count(String rest) throws SQLException {
        return Jdbc.number(connection, "SELECT COUNT(*) " + rest);
    }

    /** The columns of indexes that lists want and do not have. */
    static List<List<String>> missing(Connection connection, BoundTables table) throws SQLException {
        var there = Schema.indexes(connection, table.name()).values();
        return IndexDdl.wantedIndexes(table.recordType()).stream()
                .filter(columns -> !there.contains(String.join(",", columns)))
                .toList();
    }

    /** Rows {@code v} of a field that belong to no record, as the rest of a statement. */
    static String orphans(BoundTables table, ValueTable place) {
        return "FROM %s v LEFT JOIN %s r ON r.id = v.record_id WHERE r.id IS NULL"
                .formatted(PhysicalNames.quoted(place.name()), PhysicalNames.quoted(table.name()));
    }

    /** Links {@code v} that lead to nothing, as the rests of statements: one for each table they may lead to. */
    static List<String> astray(Binding binding, BoundTables table, String fieldId, ValueTable place) {
        var links = PhysicalNames.quoted(place.name());
        var field = table.recordType().field(fieldId);
        var taxonomy = field.isPresent()
                ? field.filter(each -> each.kind() instanceof Kind.TermPick)
                        .map(each -> ((Kind.TermPick) each.kind()).taxonomy())
                : Optional.<String>empty();
        if (taxonomy.isPresent()) {
            return binding.table(taxonomy.get()).stream()
                    .map(terms -> "FROM %s v LEFT JOIN %s t ON t.id = v.term_id WHERE t.id IS NULL"
                            .formatted(links, PhysicalNames.quoted(terms.name())))
                    .toList();
        }
        if (field.filter(each -> each.kind() instanceof Kind.Relation).isEmpty()) {
            return List.of();
        }
        return binding.tables().entrySet().stream()
                .map(target ->
                        "FROM %s v LEFT JOIN %s t ON t.id = v.target_id WHERE v.target_type = '%s' AND t.id IS NULL"
                                .formatted(
                                        links,
                                        PhysicalNames.quoted(target.getValue().name()),
                                        target.getKey()))
                .toList();
    }
}
