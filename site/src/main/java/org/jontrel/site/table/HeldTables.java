package org.jontrel.site.table;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.Set;
import org.jontrel.core.recordtype.RecordType;

/** The tables of a record type as it was, with what is held in the place of what is in use. */
public final class HeldTables {
    private HeldTables() {}

    /**
     * @param recordType as it was when the values were taken out of use
     * @param name of the table of its records, in use
     * @param held short names under which values are held
     */
    public static Binding.BoundTables with(Connection connection, RecordType recordType, String name, Set<String> held)
            throws SQLException {
        return InstalledTables.table(connection, recordType, name, Schema.inUse(connection, held), held);
    }
}
