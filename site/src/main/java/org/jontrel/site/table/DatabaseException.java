package org.jontrel.site.table;

import java.sql.SQLException;

/** The database refused a statement or is gone. */
public final class DatabaseException extends RuntimeException {
    public DatabaseException(SQLException cause) {
        super(cause.getMessage(), cause);
    }
}
