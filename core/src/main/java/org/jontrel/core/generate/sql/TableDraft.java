package org.jontrel.core.generate.sql;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.jontrel.core.generate.api.CodeText;

/** A table that is being made. */
final class TableDraft {
    /** The key of what is no part of anything else. */
    static final String ID = "id";

    private static final int LONGEST_COMMENT = 900;

    /** A constraint that has no name yet. */
    private record Unnamed(String ending, List<String> columns, ConstraintNaming naming) {}

    /** Gives a constraint its name. */
    private interface ConstraintNaming {
        SqlConstraint of(String name);
    }

    final String mark;
    final String name;
    private final String above;
    private final String comment;
    private final SqlNames names = new SqlNames(Set.of());
    private final List<SqlColumn> columns = new ArrayList<>();
    private final List<String> key = new ArrayList<>();
    private final List<Unnamed> constraints = new ArrayList<>();

    TableDraft(String mark, String above, String name, String comment) {
        this.mark = mark;
        this.above = above;
        this.name = name;
        this.comment = comment(comment);
    }

    /** On one line, no longer than both databases take it. */
    static String comment(String text) {
        var line = CodeText.line(text);
        return line.length() <= LONGEST_COMMENT
                ? line
                : line.substring(0, LONGEST_COMMENT - 1).strip() + "…";
    }

    boolean isPart() {
        return !above.isEmpty();
    }

    List<String> key() {
        return List.copyOf(key);
    }

    /** A column of the key. Gives its name. */
    String key(String wanted, SqlType type, String about) {
        var made = column(wanted, wanted, type, true, about);
        key.add(made);
        return made;
    }

    /** Gives the name. */
    String column(String columnMark, String wanted, SqlType type, boolean required, String about) {
        var made = names.take(wanted, name + "." + wanted);
        columns.add(new SqlColumn(columnMark, made, type, required, comment(about)));
        return made;
    }

    void rule(SqlRule rule) {
        var ending =
                switch (rule) {
                    case SqlRule.OneOf _ -> "words";
                    case SqlRule.Bound bound -> bound.sign().startsWith(">") ? "least" : "most";
                    case SqlRule.Length length -> length.sign().startsWith(">") ? "shortest" : "longest";
                    case SqlRule.Decimals _ -> "decimals";
                    case SqlRule.Together _ -> "together";
                };
        constraints.add(new Unnamed(ending, rule.columns(), given -> new SqlConstraint.CheckConstraint(given, rule)));
    }

    void unique(String column) {
        constraints.add(new Unnamed(
                "once", List.of(column), given -> new SqlConstraint.UniqueConstraint(given, List.of(column))));
    }

    /** Rows that must be there, with an index by which they are found. */
    void reference(List<String> from, TableDraft target, SqlConstraint.Deletion onDelete) {
        constraints.add(new Unnamed(
                "leads",
                from,
                given -> new SqlConstraint.ForeignKey(given, from, target.mark, target.name, target.key(), onDelete)));
        index(from);
    }

    void index(List<String> from) {
        boolean isKey = from.size() <= key.size() && key.subList(0, from.size()).equals(from);
        if (!isKey) {
            constraints.add(new Unnamed("by", from, given -> new SqlConstraint.IndexConstraint(given, from)));
        }
    }

    List<String> notes() {
        return names.notes();
    }

    /** @param objects names of all that is not within a table */
    SqlTable table(SqlNames objects) {
        var all = constraints.stream()
                .map(each -> each.naming()
                        .of(objects.take(name + "__" + String.join("_", each.columns()) + "__" + each.ending())))
                .toList();
        var keyName = key.isEmpty() ? "" : objects.take(name + "__key");
        return new SqlTable(mark, above, name, comment, columns, key, keyName, all);
    }
}
