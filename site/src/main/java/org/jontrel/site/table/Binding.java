package org.jontrel.site.table;

import java.util.Map;
import java.util.Optional;
import org.jontrel.core.model.Model;

/**
 * The installed model and where its values really are. Columns are found by the ids in their comments, not by their
 * names, so a site reads even where a run was cut off between two renames.
 *
 * @param generation counts switches; a binding of an older generation may name columns that are gone
 * @param tables by type id
 */
public record Binding(String version, Model model, long generation, Map<String, Table> tables) {
    public Binding {
        tables = Map.copyOf(tables);
    }

    /**
     * A type's table.
     *
     * @param columns names by field id
     */
    public record Table(String name, Map<String, String> columns) {
        public Table {
            columns = Map.copyOf(columns);
        }
    }

    public Optional<Table> table(String typeId) {
        return Optional.ofNullable(tables.get(typeId));
    }
}
