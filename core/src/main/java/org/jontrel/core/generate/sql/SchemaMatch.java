package org.jontrel.core.generate.sql;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;

/** Which tables and columns of one schema are those of another, whatever they are called. */
final class SchemaMatch {
    private final SqlSchema before;
    private final SqlSchema after;
    private final Map<String, TableMatch> byMark = new LinkedHashMap<>();

    SchemaMatch(SqlSchema before, SqlSchema after) {
        this.before = before;
        this.after = after;
        // what something is part of comes before it
        for (var to : after.tables()) {
            before.table(to.mark()).filter(from -> isSame(from, to)).ifPresent(from -> {
                var match = TableMatch.of(from, to);
                if (match.isPossible()) {
                    byMark.put(to.mark(), match);
                }
            });
        }
    }

    private boolean isSame(SqlTable from, SqlTable to) {
        return from.above().equals(to.above())
                && from.key().size() == to.key().size()
                && (to.above().isEmpty() || byMark.containsKey(to.above()));
    }

    /** @param columns those that stay, from what they were to what they become */
    record TableMatch(SqlTable from, SqlTable to, Map<SqlColumn, SqlColumn> columns) {
        static TableMatch of(SqlTable from, SqlTable to) {
            var columns = new LinkedHashMap<SqlColumn, SqlColumn>();
            for (var column : to.columns()) {
                from.column(column.mark())
                        .filter(was -> was.type().becomes(column.type()) && leadsOn(from, to, column))
                        .ifPresent(was -> columns.put(was, column));
            }
            // a word for where something leads is of no use without it
            columns.keySet()
                    .removeIf(each -> each.mark().endsWith(SqlColumn.TYPE)
                            && columns.keySet().stream()
                                    .noneMatch(other -> other.mark().equals(each.of())));
            return new TableMatch(from, to, columns);
        }

        /** Whether values of a column can be understood in the other table: it is known which type each leads to. */
        private static boolean leadsOn(SqlTable from, SqlTable to, SqlColumn column) {
            boolean hadWord = from.column(column.mark() + SqlColumn.TYPE).isPresent();
            boolean getsWord = to.column(column.mark() + SqlColumn.TYPE).isPresent();
            if (hadWord == getsWord) {
                return true;
            }
            return getsWord
                    ? Carry.typeOf(from, to, column).isPresent()
                    : Carry.reference(to, column).isPresent();
        }

        /** Whether every row has what it must have. */
        boolean isPossible() {
            return to.columns().stream()
                    .filter(SqlColumn::required)
                    .allMatch(each -> columns.containsValue(each) || Carry.isFilled(this, each));
        }

        List<SqlColumn> gone() {
            return from.columns().stream()
                    .filter(each -> !columns.containsKey(each))
                    .toList();
        }

        List<SqlColumn> added() {
            return to.columns().stream()
                    .filter(each -> !columns.containsValue(each))
                    .toList();
        }

        Optional<SqlColumn> was(SqlColumn column) {
            return columns.entrySet().stream()
                    .filter(each -> each.getValue().equals(column))
                    .map(Map.Entry::getKey)
                    .findFirst();
        }

        /** Names as they are, by names as they were. */
        Map<String, String> newNames() {
            var names = new LinkedHashMap<String, String>();
            columns.forEach((was, is) -> names.put(was.name(), is.name()));
            return names;
        }

        /** Names as they were, by names as they are. */
        Map<String, String> oldNames() {
            var names = new LinkedHashMap<String, String>();
            columns.forEach((was, is) -> names.put(is.name(), was.name()));
            return names;
        }
    }

    List<TableMatch> all() {
        return List.copyOf(byMark.values());
    }

    Optional<TableMatch> of(String mark) {
        return Optional.ofNullable(byMark.get(mark));
    }

    List<SqlTable> gone() {
        return before.tables().stream()
                .filter(each -> !byMark.containsKey(each.mark()))
                .toList();
    }

    List<SqlTable> added() {
        return after.tables().stream()
                .filter(each -> !byMark.containsKey(each.mark()))
                .toList();
    }

    /** Whether a constraint need not be touched. */
    boolean stays(TableMatch match, SqlConstraint constraint) {
        return match.to().name().equals(match.from().name())
                && match.to().constraints().contains(constraint)
                && constraint.columns().stream()
                        .allMatch(name -> match.columns().entrySet().stream()
                                .anyMatch(each -> each.getKey().name().equals(name)
                                        && each.getValue().name().equals(name)
                                        && each.getKey().type()
                                                == each.getValue().type()))
                && (!(constraint instanceof SqlConstraint.ForeignKey reference)
                        || byMark.containsKey(reference.target()));
    }

    /** Pairs of names, so that each new one is free when it is given: over another name where they change places. */
    static List<Map.Entry<String, String>> renames(Map<String, String> names, NameSource free) {
        var changed = new LinkedHashMap<String, String>();
        names.forEach((from, to) -> {
            if (!from.equals(to)) {
                changed.put(from, to);
            }
        });
        var first = new ArrayList<Map.Entry<String, String>>();
        var last = new ArrayList<Map.Entry<String, String>>();
        changed.forEach((from, to) -> {
            if (changed.containsKey(to)) {
                var over = free.next();
                first.add(Map.entry(from, over));
                last.add(Map.entry(over, to));
            } else {
                last.add(Map.entry(from, to));
            }
        });
        return Stream.concat(first.stream(), last.stream()).toList();
    }

    /** Gives names that nothing has. */
    static final class NameSource {
        private int given;

        String next() {
            return "gone$" + ++given;
        }
    }
}
