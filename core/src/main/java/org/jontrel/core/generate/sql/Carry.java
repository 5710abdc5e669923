package org.jontrel.core.generate.sql;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;

/**
 * How the values of a column come to another: words get their new keys; what was taken out of the words, and ids of what the other
 * does not lead to, do not come along.
 */
final class Carry {
    private final SqlDialect dialect;
    private final SqlTable from;
    private final SqlColumn was;
    private final SqlTable to;
    private final SqlColumn becomes;

    Carry(SqlDialect dialect, SqlTable from, SqlColumn was, SqlTable to, SqlColumn becomes) {
        this.dialect = dialect;
        this.from = from;
        this.was = was;
        this.to = to;
        this.becomes = becomes;
    }

    static Optional<SqlConstraint.ForeignKey> reference(SqlTable table, SqlColumn column) {
        return table.constraints(SqlConstraint.ForeignKey.class)
                .filter(each -> each.columns().equals(List.of(column.name())))
                .findFirst();
    }

    static Optional<SqlRule.OneOf> words(SqlTable table, SqlColumn column) {
        return table.constraints(SqlConstraint.CheckConstraint.class)
                .map(SqlConstraint.CheckConstraint::rule)
                .filter(SqlRule.OneOf.class::isInstance)
                .map(SqlRule.OneOf.class::cast)
                .filter(each -> each.column().equals(column.name()))
                .findFirst();
    }

    /** The word for where all values of a column lead that led to one type, where it can lead to several from now on. */
    static Optional<String> typeOf(SqlTable from, SqlTable to, SqlColumn column) {
        return from.column(column.mark())
                .flatMap(was -> reference(from, was))
                .flatMap(reference -> to.column(column.mark() + SqlColumn.TYPE)
                        .flatMap(type -> words(to, type))
                        .map(words -> words.words().get(reference.target())));
    }

    /** Whether a new column gets its values from where the one beside it leads. */
    static boolean isFilled(SchemaMatch.TableMatch match, SqlColumn added) {
        return added.mark().endsWith(SqlColumn.TYPE)
                && match.to()
                        .column(added.of())
                        .filter(beside -> match.columns().containsValue(beside)
                                && typeOf(match.from(), match.to(), beside).isPresent())
                        .isPresent();
    }

    /** Words that have another key, with it. */
    private Map<String, String> renamed() {
        var renamed = new LinkedHashMap<String, String>();
        var old = words(from, was);
        var now = words(to, becomes);
        if (old.isPresent() && now.isPresent()) {
            old.get().words().forEach((id, word) -> {
                var next = now.get().words().get(id);
                if (next != null && !next.equals(word)) {
                    renamed.put(word, next);
                }
            });
        }
        return renamed;
    }

    boolean renames() {
        return !renamed().isEmpty();
    }

    /** What becomes of a value. */
    String value(String source) {
        var cases = renamed().entrySet().stream()
                .map(each ->
                        " WHEN %s THEN %s".formatted(dialect.literal(each.getKey()), dialect.literal(each.getValue())))
                .collect(Collectors.joining());
        return cases.isEmpty() ? source : "CASE " + source + cases + " ELSE " + source + " END";
    }

    /** Which values do not come along, as a condition; empty where all do. */
    Optional<String> lost(String source) {
        var old = words(from, was);
        var now = words(to, becomes);
        if (now.isPresent() && old.isEmpty()) {
            return Optional.of(source + " NOT IN ("
                    + literals(List.copyOf(now.get().words().values())) + ")");
        }
        if (now.isPresent()) {
            var lost = old.get().words().entrySet().stream()
                    .filter(each -> !now.get().words().containsKey(each.getKey()))
                    .map(Map.Entry::getValue)
                    .toList();
            return lost.isEmpty() ? Optional.empty() : Optional.of(source + " IN (" + literals(lost) + ")");
        }
        return reference(to, becomes)
                .filter(reference -> reference(from, was)
                        .filter(had -> had.target().equals(reference.target()))
                        .isEmpty())
                .map(reference -> "NOT EXISTS (SELECT 1 FROM %s n WHERE n.%s = %s)"
                        .formatted(
                                dialect.quoted(reference.targetTable()),
                                dialect.quoted(reference.targetColumns().getFirst()),
                                source));
    }

    private String literals(List<String> words) {
        return words.stream().distinct().map(dialect::literal).collect(Collectors.joining(", "));
    }
}
