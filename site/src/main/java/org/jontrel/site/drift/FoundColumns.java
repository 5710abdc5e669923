package org.jontrel.site.drift;

import java.sql.Connection;
import java.sql.SQLException;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import org.jontrel.core.model.Model;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.site.table.Jdbc;
import org.jontrel.site.table.ModelText;

/**
 * Columns that somebody added to a table or changed, past the definitions. They are taken out of use and held, each as the values of a
 * field, so that a release which has the field can bring them along.
 */
public record FoundColumns(Connection connection) {
    /**
     * @param name short name under which it is held
     * @param recordType with the field as the column has it
     * @param version of the release that was installed
     * @param at when it was taken out of use, in UTC
     */
    public record FoundColumn(
            String name, RecordType recordType, String fieldId, String version, LocalDateTime at, String by) {}

    public List<FoundColumn> all() throws SQLException {
        var sql = "SELECT name, model, type_id, field_id, version, found_at, found_by FROM jontrel_found";
        return Jdbc.query(
                connection,
                sql,
                row -> new FoundColumn(
                        row.getString(1),
                        recordType(ModelText.read(row.getString(2)), row.getString(3)),
                        row.getString(4),
                        row.getString(5),
                        row.getObject(6, LocalDateTime.class),
                        row.getString(7)));
    }

    public Optional<FoundColumn> find(String name) throws SQLException {
        return all().stream().filter(each -> each.name().equals(name)).findFirst();
    }

    private static RecordType recordType(Model model, String id) {
        return model.definition(id).flatMap(each -> RecordType.of(model, each)).orElseThrow();
    }

    /** @param model with the field as the column has it */
    void note(String name, Model model, String recordTypeId, String fieldId, String version, String by)
            throws SQLException {
        Jdbc.update(
                connection,
                "INSERT INTO jontrel_found (name, model, type_id, field_id, version, found_at, found_by)"
                        + " VALUES (?, ?, ?, ?, ?, ?, ?)",
                name,
                ModelText.write(model),
                recordTypeId,
                fieldId,
                version,
                LocalDateTime.ofInstant(Instant.now(), ZoneOffset.UTC),
                by);
    }
}
