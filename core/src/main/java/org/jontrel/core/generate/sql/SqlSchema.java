package org.jontrel.core.generate.sql;

import java.util.List;
import java.util.Optional;

/** @param notes what is called otherwise than in the model, in sentences */
record SqlSchema(List<SqlTable> tables, List<SqlView> views, List<String> notes) {
    SqlSchema {
        tables = List.copyOf(tables);
        views = List.copyOf(views);
        notes = List.copyOf(notes);
    }

    Optional<SqlTable> table(String mark) {
        return tables.stream().filter(each -> each.mark().equals(mark)).findFirst();
    }
}
