package org.jontrel.site.run.retype;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jontrel.core.model.Kind;
import org.jontrel.core.plan.Step;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.core.retype.TypeMove;
import org.jontrel.site.table.Binding;
import org.jontrel.site.table.Jdbc;
import org.jontrel.site.table.PhysicalNames;
import org.jontrel.site.table.TableDdl;

/** Copies records that stay what they are, in the database: nothing of them has to be read. */
record RowCopy(Binding.BoundTables from, Binding.BoundTables to) {
    private static final int DUPLICATE = 1062;
    private static final List<String> OWN = List.of(
            "id", "slug", "state", "version", "complete", "created_at", "updated_at", "created_by", "updated_by");

    /**
     * Whether the records of a type become just what they are.
     *
     * @param all the ways of all types of the run
     */
    static boolean suffices(Step.RetypeRecords step, RecordType was, RecordType is, List<TypeMove> all) {
        var leaving =
                all.stream().filter(each -> !each.stays()).map(TypeMove::from).toList();
        boolean leads = was.byId().values().stream()
                .anyMatch(field -> field.kind() instanceof Kind.Relation relation
                        && (relation.to().isEmpty() || relation.to().stream().anyMatch(leaving::contains)));
        return step.ways().size() == 1
                && step.ways().getFirst().stays()
                && was.equals(is)
                && !leads
                && was.nesting().under().stream().noneMatch(leaving::contains)
                && step.ways().getFirst().moves().stream()
                        .allMatch(move ->
                                move.fill().isEmpty() && move.corrections().isEmpty());
    }

    /** Whether it went; it does not where somebody has given an address on that stands in the copy still. */
    boolean copied(Connection connection, long first, long last) throws SQLException {
        var own = new LinkedHashMap<String, String>();
        OWN.forEach(each -> own.put(each, each));
        TableDdl.ownColumns().forEach(each -> own.put(each.name(), each.name()));
        try {
            copy(connection, from.own(), to.own(), own, "id", first, last);
        } catch (SQLException e) {
            if (e.getErrorCode() == DUPLICATE) {
                return false;
            }
            throw e;
        }
        for (var place : from.fields().entrySet()) {
            var columns = new LinkedHashMap<String, String>();
            keys(place.getKey()).forEach(each -> columns.put(each, each));
            copy(connection, place.getValue(), to.fields().get(place.getKey()), columns, "record_id", first, last);
        }
        return true;
    }

    private List<String> keys(String fieldId) {
        var keys = new ArrayList<>(List.of("record_id", "row_id", "position"));
        switch (from.recordType().field(fieldId).orElseThrow().kind()) {
            case Kind.Repeater _ -> keys.add("id");
            case Kind.Relation _ -> keys.addAll(List.of("target_type", "target_id"));
            case Kind.TermPick _ -> keys.add("term_id");
            case Kind.Plain _, Kind.Image _, Kind.File _, Kind.FieldGroup _, Kind.Note _ -> {}
        }
        return keys;
    }

    private static void copy(
            Connection connection,
            Binding.ValueTable from,
            Binding.ValueTable to,
            Map<String, String> columns,
            String id,
            long first,
            long last)
            throws SQLException {
        from.columns()
                .forEach((field, column) ->
                        columns.put(PhysicalNames.quoted(to.columns().get(field)), PhysicalNames.quoted(column)));
        Jdbc.update(
                connection,
                "INSERT INTO " + PhysicalNames.quoted(to.name()) + " (" + String.join(", ", columns.keySet())
                        + ") SELECT " + String.join(", ", columns.values()) + " FROM "
                        + PhysicalNames.quoted(from.name()) + " WHERE " + id + " BETWEEN ? AND ?",
                first,
                last);
    }
}
