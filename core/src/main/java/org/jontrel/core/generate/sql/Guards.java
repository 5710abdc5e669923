package org.jontrel.core.generate.sql;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;

/** Looks, before anything changes, whether values keep the rules of the new release. */
final class Guards {
    private static final String TABLE = "migration_check";
    private final SqlDialect dialect;

    Guards(SqlDialect dialect) {
        this.dialect = dialect;
    }

    List<String> statements(SchemaMatch match) {
        var all = match.all().stream().flatMap(this::guards).toList();
        if (all.isEmpty()) {
            return all;
        }
        var statements = new ArrayList<String>();
        statements.add("CREATE TEMPORARY TABLE %s (problem VARCHAR(255) CHECK (problem IS NULL))"
                .formatted(dialect.quoted(TABLE)));
        statements.addAll(all);
        statements.add(dialect.dropTemporary(TABLE));
        return statements;
    }

    private Stream<String> guards(SchemaMatch.TableMatch match) {
        var had = match.from().constraints().stream()
                .map(each -> rules(match, each))
                .toList();
        var fresh = match.to().constraints().stream()
                .filter(each -> !had.contains(rule(each)))
                .flatMap(each -> guard(match, each));
        return Stream.concat(fresh, narrowed(match));
    }

    /** A constraint of before without its name, under the names of now. */
    private static Object rules(SchemaMatch.TableMatch match, SqlConstraint constraint) {
        return switch (constraint) {
            case SqlConstraint.CheckConstraint check -> check.rule().renamed(match.newNames());
            case SqlConstraint.UniqueConstraint unique ->
                unique.columns().stream()
                        .map(each -> match.newNames().getOrDefault(each, each))
                        .toList();
            default -> constraint;
        };
    }

    private static Object rule(SqlConstraint constraint) {
        return switch (constraint) {
            case SqlConstraint.CheckConstraint check -> check.rule();
            case SqlConstraint.UniqueConstraint unique -> unique.columns();
            default -> constraint;
        };
    }

    private Stream<String> guard(SchemaMatch.TableMatch match, SqlConstraint constraint) {
        boolean isKept = constraint.columns().stream()
                .allMatch(name -> match.columns().entrySet().stream()
                        .anyMatch(each -> each.getValue().name().equals(name)
                                && comparable(
                                        each.getKey().type(), each.getValue().type())));
        if (!isKept) {
            return Stream.empty();
        }
        return switch (constraint) {
            case SqlConstraint.CheckConstraint(String _, SqlRule rule) ->
                switch (rule) {
                    case SqlRule.Bound _, SqlRule.Length _, SqlRule.Decimals _ -> Stream.of(broken(match, rule));
                    case SqlRule.OneOf _, SqlRule.Together _ -> Stream.empty();
                };
            case SqlConstraint.UniqueConstraint unique -> {
                var column =
                        dialect.quoted(match.oldNames().get(unique.columns().getFirst()));
                yield Stream.of(insert(
                        match,
                        unique.columns().getFirst(),
                        "has values twice that may stand there once",
                        column
                                + " IN (SELECT x.%1$s FROM %2$s x WHERE x.%1$s IS NOT NULL GROUP BY x.%1$s HAVING COUNT(*) > 1)"
                                        .formatted(
                                                column,
                                                dialect.quoted(match.from().name()))));
            }
            default -> Stream.empty();
        };
    }

    private static boolean comparable(SqlType was, SqlType is) {
        return was == is
                || (isNumber(was) && isNumber(is))
                || ((was == SqlType.TEXT || was == SqlType.LONG_TEXT)
                        && (is == SqlType.TEXT || is == SqlType.LONG_TEXT));
    }

    private static boolean isNumber(SqlType type) {
        return type == SqlType.WHOLE || type == SqlType.DECIMAL;
    }

    /** Columns that have less room. */
    private Stream<String> narrowed(SchemaMatch.TableMatch match) {
        return match.columns().entrySet().stream().flatMap(each -> {
            var was = each.getKey().type();
            var is = each.getValue().type();
            var name = each.getValue().name();
            if (was == SqlType.LONG_TEXT && is == SqlType.TEXT) {
                return Stream.of(broken(match, new SqlRule.Length(name, "<=", 255)));
            }
            return was == SqlType.DECIMAL && is == SqlType.WHOLE
                    ? Stream.of(broken(match, new SqlRule.Decimals(name, 0)))
                    : Stream.empty();
        });
    }

    private String broken(SchemaMatch.TableMatch match, SqlRule rule) {
        return insert(
                match,
                rule.columns().getFirst(),
                "has values that the new release does not allow",
                "NOT (" + dialect.rule(rule.renamed(match.oldNames())) + ")");
    }

    private String insert(SchemaMatch.TableMatch match, String column, String problem, String where) {
        var place = match.from().name() + "." + match.oldNames().get(column);
        return "INSERT INTO %s SELECT %s FROM %s WHERE %s LIMIT 1"
                .formatted(
                        dialect.quoted(TABLE),
                        dialect.literal(place + " " + problem),
                        dialect.quoted(match.from().name()),
                        where);
    }
}
