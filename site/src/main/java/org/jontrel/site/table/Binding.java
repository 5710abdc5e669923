package org.jontrel.site.table;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Model;
import org.jontrel.core.recordtype.RecordType;

/**
 * The installed model and where its values really are. Tables and columns are found by the ids in their comments, not by
 * their names, so a site reads even where a run was interrupted between two renames.
 *
 * @param generation counts switches; a binding of an older generation may name columns that are gone
 * @param provisional whether it was found while a switch was under way; it holds only as long as nothing moves
 * @param tables by id of the record type
 */
public record Binding(
        String version, Model model, long generation, boolean provisional, Map<String, BoundTables> tables) {
    public Binding {
        tables = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(tables));
    }

    /**
     * A table of values.
     *
     * @param columns names by field id
     */
    public record ValueTable(String name, Map<String, String> columns) {
        public ValueTable {
            columns = Map.copyOf(columns);
        }
    }

    /**
     * The tables of a record type.
     *
     * @param own of the records themselves
     * @param fields those of fields that have one of their own, by field id
     */
    public record BoundTables(RecordType recordType, ValueTable own, Map<String, ValueTable> fields) {
        public BoundTables {
            fields = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(fields));
        }

        public String name() {
            return own.name();
        }

        /** The table whose rows hold a field's column. */
        public Optional<ValueTable> placeOf(String fieldId) {
            if (fields.containsKey(fieldId)) {
                return Optional.of(fields.get(fieldId));
            }
            var home = recordType.home(fieldId);
            return home == null
                    ? Optional.empty()
                    : home.table().isEmpty() ? Optional.of(own) : Optional.ofNullable(fields.get(home.table()));
        }
    }

    public Optional<BoundTables> table(String recordTypeId) {
        return Optional.ofNullable(tables.get(recordTypeId));
    }

    /** The tables of the definition of a sort with this key. */
    public Optional<BoundTables> table(Definition.Sort sort, String key) {
        return tables.values().stream()
                .filter(table -> table.recordType().definition().sort() == sort
                        && table.recordType().key().equals(key))
                .findFirst();
    }

    /** All tables of one sort of definitions, by key. */
    public List<BoundTables> tables(Definition.Sort sort) {
        return tables.values().stream()
                .filter(table -> table.recordType().definition().sort() == sort)
                .toList();
    }
}
