package org.jontrel.site.run.move;

import java.sql.SQLException;
import java.util.List;
import java.util.Set;

/** Which records people have saved since a run. */
@FunctionalInterface
public interface SavedSince {
    Set<Long> of(String recordTypeId, List<Long> ids) throws SQLException;
}
