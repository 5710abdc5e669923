package org.jontrel.site.record;

import java.sql.SQLException;
import org.apache.ibatis.session.SqlSession;
import org.jontrel.site.record.write.SaveResult;
import org.jontrel.site.table.Binding;

/** What is done to records within one transaction, with the tables that are in use. */
interface WriteWork {
    SaveResult with(SqlSession session, Binding binding, Binding.BoundTables table, boolean crowded)
            throws SQLException;
}
