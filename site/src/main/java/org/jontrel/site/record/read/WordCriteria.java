package org.jontrel.site.record.read;

import static org.mybatis.dynamic.sql.SqlBuilder.group;
import static org.mybatis.dynamic.sql.SqlBuilder.isEqualTo;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.jontrel.site.table.Binding;
import org.mybatis.dynamic.sql.AndOrCriteriaGroup;
import org.mybatis.dynamic.sql.BindableColumn;
import org.mybatis.dynamic.sql.SqlBuilder;
import org.mybatis.dynamic.sql.SqlColumn;
import org.mybatis.dynamic.sql.SqlCriterion;
import org.mybatis.dynamic.sql.SqlTable;
import org.mybatis.dynamic.sql.render.MyBatis3RenderingStrategy;
import org.mybatis.dynamic.sql.render.RenderingContext;
import org.mybatis.dynamic.sql.render.RenderingStrategy;
import org.mybatis.dynamic.sql.util.FragmentAndParameters;

/** What a search says in words, as a criterion of SQL. */
final class WordCriteria {
    /** Of longer words the database keeps no index. */
    private static final int LONGEST_WORD = 80;

    /** Words that the database keeps out of its index of words. */
    private static final Set<String> COMMON = Set.of(
            "about", "are", "com", "for", "from", "how", "that", "the", "this", "und", "was", "what", "when", "where",
            "who", "will", "with", "www");

    private final Binding.BoundTables table;
    private final SqlTable main;

    WordCriteria(Binding.BoundTables table, SqlTable main) {
        this.table = table;
        this.main = main;
    }

    /** Each word as the beginning of one; short ones and those of signs only are looked for in the title. */
    Optional<SqlCriterion> of(String search, Audience audience) {
        var words = Arrays.stream(search.strip().split("[^\\p{L}\\p{N}]+"))
                .filter(word -> !word.isEmpty())
                .limit(10)
                .toList();
        if (words.isEmpty()) {
            return search.isBlank() ? Optional.empty() : Optional.of(titled(search.strip()));
        }
        var all = new ArrayList<SqlCriterion>();
        var long3 = words.stream()
                .filter(word -> word.length() > 2
                        && word.length() <= LONGEST_WORD
                        && !COMMON.contains(word.toLowerCase(Locale.ROOT)))
                .toList();
        if (!long3.isEmpty()) {
            var wanted = long3.stream().map(word -> "+" + word + "*").collect(Collectors.joining(" "));
            all.add(matching(wanted, SearchWords.table(table.recordType(), audience)));
        }
        words.stream()
                .filter(word -> word.length() <= 2 || word.length() > LONGEST_WORD)
                .forEach(word -> all.add(titled(word)));
        if (all.isEmpty()) {
            // words so common that they are not kept: they may still be a title
            return Optional.of(titled(search.strip()));
        }
        List<AndOrCriteriaGroup> rest =
                all.stream().skip(1).map(SqlBuilder::and).toList();
        return Optional.of(group(all.getFirst(), rest));
    }

    private SqlCriterion titled(String part) {
        var name = table.own().columns().get("part_title");
        var column = name == null ? Criteria.column(main, "slug") : Criteria.column(main, name);
        return group(column, SqlBuilder.isLike((Object) ("%" + part.replaceAll("([\\\\%_])", "\\\\$1") + "%")));
    }

    private SqlCriterion matching(String words, String tableOfWords) {
        var text = SqlTable.of(tableOfWords);
        return group(
                Criteria.column(main, "id"),
                SqlBuilder.isIn(SqlBuilder.select(SqlColumn.of("record_id", text))
                        .from(text)
                        .where(SqlColumn.<Object>of("holder_id", text), isEqualTo((Object)
                                table.recordType().id()))
                        .and(new MatchColumn(), new Matches(words))));
    }

    /** {@code MATCH(words)}, which no name of a table may stand before. */
    private record MatchColumn() implements BindableColumn<Object> {
        @Override
        public Optional<String> alias() {
            return Optional.empty();
        }

        @Override
        public BindableColumn<Object> as(String alias) {
            return this;
        }

        @Override
        public Optional<RenderingStrategy> renderingStrategy() {
            return Optional.of(new Against());
        }

        @Override
        public FragmentAndParameters render(RenderingContext context) {
            return FragmentAndParameters.fromFragment("MATCH(words)");
        }
    }

    /** {@code MATCH(words) AGAINST (… IN BOOLEAN MODE)}. */
    private static final class Matches extends org.mybatis.dynamic.sql.AbstractSingleValueCondition<Object> {
        Matches(Object words) {
            super(words);
        }

        @Override
        public String operator() {
            return "AGAINST";
        }

        @Override
        public Matches filter(java.util.function.Predicate<? super Object> wanted) {
            return this;
        }
    }

    private static final class Against extends MyBatis3RenderingStrategy {
        @Override
        public String getFormattedJdbcPlaceholder(BindableColumn<?> column, String prefix, String parameterName) {
            return "(" + getFormattedJdbcPlaceholder(prefix, parameterName) + " IN BOOLEAN MODE)";
        }
    }
}
