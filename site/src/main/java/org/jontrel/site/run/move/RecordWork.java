package org.jontrel.site.run.move;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.List;
import org.jontrel.site.record.read.RecordLoader;
import org.jontrel.site.record.read.StoredRecord;

/** Something that is done to the records of one record type, some at a time, and once more for those that are saved meanwhile. */
public interface RecordWork {
    /** Loads the records that it is done to. */
    RecordLoader loader();

    /** The next records behind an id, at most so many; those that were deleted too. */
    default List<StoredRecord> after(Connection connection, long id, int most) throws SQLException {
        return loader().after(connection, id, most);
    }

    default List<StoredRecord> byIds(Connection connection, List<Long> ids) throws SQLException {
        return loader().byIds(connection, ids);
    }

    /**
     * Does it.
     *
     * @param again ids of those that it may have been done for before, also of such that are gone by now; empty where it is done
     *     for the first time
     */
    void work(Connection connection, List<StoredRecord> records, List<Long> again) throws SQLException;
}
