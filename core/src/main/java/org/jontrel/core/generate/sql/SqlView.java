package org.jontrel.core.generate.sql;

import java.util.List;

/** What a table has, with the names of what its rows lead to. */
record SqlView(String name, SqlTable of, List<ViewColumn> joined) {
    SqlView {
        joined = List.copyOf(joined);
    }

    /** Where the names of what is led to stand: in which table, under which word for it where there are several. */
    record NamedTarget(String word, String table, String nameColumn) {}

    /** @param name of the column in the view */
    sealed interface ViewColumn {
        String name();

        /**
         * The name of what a column leads to.
         *
         * @param typeColumn says where it leads; empty where there is only one such place
         */
        record OneName(String name, String column, String typeColumn, List<NamedTarget> targets) implements ViewColumn {
            public OneName {
                targets = List.copyOf(targets);
            }
        }

        /** The names of all that the rows of a table lead to, in their order, with commas between them. */
        record ManyNames(String name, SqlTable rows, String column, String typeColumn, List<NamedTarget> targets)
                implements ViewColumn {
            public ManyNames {
                targets = List.copyOf(targets);
            }
        }

        /** All words of a table, in their order, with commas between them. */
        record ManyWords(String name, SqlTable rows, String column) implements ViewColumn {}
    }
}
