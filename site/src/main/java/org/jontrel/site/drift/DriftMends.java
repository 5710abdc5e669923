package org.jontrel.site.drift;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.List;
import org.apache.ibatis.session.SqlSession;
import org.jontrel.core.finding.Code;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.site.record.read.TermTree;
import org.jontrel.site.table.Binding;
import org.jontrel.site.table.Binding.BoundTables;
import org.jontrel.site.table.Ddl;
import org.jontrel.site.table.IndexDdl;
import org.jontrel.site.table.Jdbc;
import org.jontrel.site.table.MendDdl;
import org.jontrel.site.table.PhysicalNames;

/** What is said to a database so that its tables are again what the installed definitions say. */
final class DriftMends {
    private DriftMends() {}

    /** What the definitions would have made. */
    static List<String> statements(
            Connection connection, Binding binding, Code code, String recordTypeId, String fieldId)
            throws SQLException {
        var recordType = binding.model()
                .definition(recordTypeId)
                .flatMap(each -> RecordType.of(binding.model(), each))
                .orElseThrow();
        if (code == Code.DRIFT_TABLE_GONE) {
            return List.of(Ddl.createTables(recordType)
                    .get(fieldId.isEmpty() ? recordTypeId : PhysicalNames.mark(recordTypeId, fieldId)));
        }
        var bound = binding.table(recordTypeId);
        boolean ofTable = bound.isEmpty()
                || PhysicalNames.tables(recordType).containsKey(fieldId)
                        && !bound.get().fields().containsKey(fieldId);
        if (code == Code.DRIFT_COMMENT_GONE && ofTable) {
            return List.of(
                    MendDdl.comment(TableDrift.table(recordType, fieldId), PhysicalNames.mark(recordTypeId, fieldId)));
        }
        var table = bound.orElseThrow();
        if (code == Code.DRIFT_INDEX_GONE) {
            return RowDrift.missing(connection, table).stream()
                    .map(columns -> IndexDdl.addIndex(table.name(), columns))
                    .toList();
        }
        var home = recordType.home(fieldId).table();
        var place = PhysicalNames.tables(recordType).containsKey(fieldId) ? fieldId : home;
        var name = place.isEmpty() ? table.name() : table.fields().get(place).name();
        var column = PhysicalNames.columns(recordType, place).get(fieldId);
        var field = recordType.field(fieldId).orElseThrow();
        return List.of(
                code == Code.DRIFT_COMMENT_GONE
                        ? MendDdl.comment(name, column, field)
                        : MendDdl.putBack(name, column, field));
    }

    /** Removes rows that lead nowhere, or makes a tree anew. */
    static Void rows(SqlSession session, Binding binding, Code code, String recordTypeId, String fieldId)
            throws SQLException {
        var connection = session.getConnection();
        BoundTables table = binding.table(recordTypeId).orElseThrow();
        if (code == Code.DRIFT_TREE_WRONG) {
            TermTree.renew(connection, table);
            return null;
        }
        var place = table.fields().get(fieldId);
        var astray = code == Code.DRIFT_ROWS_ORPHANED
                ? List.of(RowDrift.orphans(table, place))
                : RowDrift.astray(binding, table, fieldId, place);
        for (var rest : astray) {
            Jdbc.update(connection, "DELETE v " + rest);
        }
        return null;
    }
}
