package org.jontrel.site.table;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.Optional;
import java.util.Set;
import org.jontrel.core.recordtype.RecordType;

/** The tables of a record type as it was, with what is held in the place of what is in use. */
public final class HeldTables {
    private HeldTables() {}

    /** All tables of a record type, as far as they are held; empty where none is. */
    public static Optional<Binding.BoundTables> all(Connection connection, RecordType recordType, Set<String> held)
            throws SQLException {
        var names = Schema.inUse(connection, held);
        var own = names.get(recordType.id());
        return own == null || PhysicalNames.heldAs(own).isEmpty()
                ? Optional.empty()
                : Optional.of(InstalledTables.table(connection, recordType, own, names, held));
    }

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
