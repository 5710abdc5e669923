package org.jontrel.site.run.move;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.List;
import org.jontrel.site.record.read.StoredRecord;

/** Takes what was entered since a run over into what the run holds, record by record. */
public interface RecordCarry extends RecordWork {
    /** What would become of each, without doing it. */
    List<MovedReturn.Outcome> outcomes(Connection connection, List<StoredRecord> records) throws SQLException;
}
