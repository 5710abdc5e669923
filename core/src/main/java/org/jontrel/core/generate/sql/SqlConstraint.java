package org.jontrel.core.generate.sql;

import java.util.List;

/** What a database holds its rows to, or finds them by. */
sealed interface SqlConstraint {
    String name();

    List<String> columns();

    record CheckConstraint(String name, SqlRule rule) implements SqlConstraint {
        @Override
        public List<String> columns() {
            return rule.columns();
        }
    }

    record UniqueConstraint(String name, List<String> columns) implements SqlConstraint {
        public UniqueConstraint {
            columns = List.copyOf(columns);
        }
    }

    record IndexConstraint(String name, List<String> columns) implements SqlConstraint {
        public IndexConstraint {
            columns = List.copyOf(columns);
        }
    }

    /**
     * Rows of another table that must be there.
     *
     * @param target mark of that table
     */
    record ForeignKey(
            String name,
            List<String> columns,
            String target,
            String targetTable,
            List<String> targetColumns,
            Deletion onDelete)
            implements SqlConstraint {
        public ForeignKey {
            columns = List.copyOf(columns);
            targetColumns = List.copyOf(targetColumns);
        }
    }

    /** What happens to a row when the one that it refers to is deleted. */
    enum Deletion {
        CASCADE,
        SET_NULL;

        String words() {
            return name().replace('_', ' ');
        }
    }
}
