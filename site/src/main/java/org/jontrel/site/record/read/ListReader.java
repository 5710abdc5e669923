package org.jontrel.site.record.read;

import static org.mybatis.dynamic.sql.SqlBuilder.and;
import static org.mybatis.dynamic.sql.SqlBuilder.constant;
import static org.mybatis.dynamic.sql.SqlBuilder.group;
import static org.mybatis.dynamic.sql.SqlBuilder.isEqualTo;
import static org.mybatis.dynamic.sql.SqlBuilder.or;

import com.github.benmanes.caffeine.cache.Cache;
import java.nio.charset.StandardCharsets;
import java.sql.Connection;
import java.sql.SQLException;
import java.time.DateTimeException;
import java.util.ArrayList;
import java.util.Base64;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Pattern;
import org.apache.ibatis.session.SqlSession;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.condition.Condition;
import org.jontrel.core.record.Conditions;
import org.jontrel.core.record.Values;
import org.jontrel.core.recordtype.FieldStorage;
import org.jontrel.site.table.Binding;
import org.jontrel.site.table.ColumnValues;
import org.jontrel.site.table.Jdbc;
import org.jontrel.site.table.PhysicalNames;
import org.mybatis.dynamic.sql.AndOrCriteriaGroup;
import org.mybatis.dynamic.sql.BasicColumn;
import org.mybatis.dynamic.sql.SortSpecification;
import org.mybatis.dynamic.sql.SqlBuilder;
import org.mybatis.dynamic.sql.SqlColumn;
import org.mybatis.dynamic.sql.SqlCriterion;
import org.mybatis.dynamic.sql.SqlTable;
import org.mybatis.dynamic.sql.render.RenderingStrategies;
import org.mybatis.dynamic.sql.select.SelectModel;
import org.mybatis.dynamic.sql.select.render.SelectStatementProvider;
import org.mybatis.dynamic.sql.util.Buildable;
import org.mybatis.dynamic.sql.util.mybatis3.CommonSelectMapper;

/** Pages of records of one record type: filtered, searched, sorted, and counted as far as that is cheap. */
public final class ListReader {
    /** Counting stops here and says that there are more. */
    static final int COUNTED = 10_000;

    private static final int MOST_SORTS = 3;
    private static final String OWNER = "own_list";

    private static final String NO_CURSOR =
            "This cursor does not belong to this list. Start again from the first page.";

    private final Binding binding;
    private final Binding.BoundTables table;
    private final SqlTable main;
    private final SqlColumn<Object> id;
    private final Cache<PlainList, PreparedQuery> plain;

    /** @param plain statements of lists that nothing was asked of, made before */
    public ListReader(Binding binding, Binding.BoundTables table, Cache<PlainList, PreparedQuery> plain) {
        this.plain = plain;
        this.table = table;
        this.main = SqlTable.of(PhysicalNames.quoted(table.name()));
        this.id = Criteria.column(main, "id");
        this.binding = binding;
    }

    /** The beginning of a list without conditions and words: its statement is the same each time. */
    public record PlainList(
            long generation, String recordTypeId, List<ListQuery.SortOrder> sort, int most, Audience audience) {}

    /** A row of a list: which record, and what it is sorted by. */
    private record ListedRecord(long id, List<Object> keys) {}

    /**
     * A statement with its arguments in their order, made once for lists that are asked for again and again.
     *
     * @param sql with question marks for them
     */
    public record PreparedQuery(String sql, List<Object> arguments) {
        private static final Pattern PLACE = Pattern.compile("#\\{parameters\\.([^,}]+)[^}]*}");

        static PreparedQuery of(SelectStatementProvider rendered) {
            var arguments = new ArrayList<Object>();
            var sql = PLACE.matcher(rendered.getSelectStatement()).replaceAll(place -> {
                arguments.add(rendered.getParameters().get(place.group(1)));
                return "?";
            });
            return new PreparedQuery(sql, arguments);
        }

        List<ListedRecord> rows(Connection connection, int keys) throws SQLException {
            return read(connection, row -> {
                var values = new ArrayList<Object>();
                for (int i = 0; i < keys; i++) {
                    values.add(row.getObject(2 + i));
                }
                return new ListedRecord(row.getLong(1), values);
            });
        }

        <T> List<T> read(Connection connection, Jdbc.RowReader<T> reader) throws SQLException {
            return Jdbc.query(connection, sql, reader, arguments.toArray());
        }
    }

    /** What a list is sorted by. */
    private record SortKey(Field field, SqlColumn<Object> column, boolean descending) {
        /** Asked for as text, which no time zone changes on its way. */
        boolean isTime() {
            return ColumnValues.isTime(field.kind());
        }
    }

    public RecordList page(SqlSession session, ListQuery query) throws SQLException {
        var keys = keys(query.sort());
        var rows = statement(query, keys).rows(session.getConnection(), keys.size());
        var ids = rows.stream().limit(query.most()).map(ListedRecord::id).toList();
        var records = new RecordLoader(table, query.fields()).byIds(session.getConnection(), ids);
        var next = rows.size() > query.most()
                ? Optional.of(cursor(keys, rows.get(query.most() - 1)))
                : Optional.<String>empty();
        return new RecordList(records, next);
    }

    /**
     * What several lists of this record type find, in one statement: the ids, each list in its order. All are sorted by the
     * same and read by the same audience.
     */
    public <K> Map<K, List<Long>> each(SqlSession session, Map<K, ListQuery> queries) throws SQLException {
        var owners = List.copyOf(queries.keySet());
        if (owners.isEmpty()) {
            return Map.of();
        }
        var keys = keys(queries.get(owners.getFirst()).sort());
        var selects = new ArrayList<Buildable<SelectModel>>();
        for (int i = 0; i < owners.size(); i++) {
            var query = queries.get(owners.get(i));
            var states = query.audience().everyState()
                    ? List.of(Criteria.present(main))
                    : List.of(Criteria.published(main), Criteria.due(main));
            for (var state : states) {
                selects.add(select(query, keys, state, Optional.of(i)));
            }
        }
        var statement = PreparedQuery.of(together(selects, keys));
        var found = new LinkedHashMap<K, List<Long>>();
        for (var row : statement.rows(session.getConnection(), keys.size() + 1)) {
            int owner = ((Number) row.keys().getFirst()).intValue();
            var ids = found.computeIfAbsent(owners.get(owner), _ -> new ArrayList<>());
            if (ids.size() < queries.get(owners.get(owner)).most()) {
                ids.add(row.id());
            }
        }
        return found;
    }

    private static SelectStatementProvider together(List<Buildable<SelectModel>> selects, List<SortKey> keys) {
        if (selects.size() == 1) {
            return selects.getFirst().build().render(RenderingStrategies.MYBATIS3);
        }
        var all = SqlBuilder.multiSelect(selects.getFirst());
        selects.stream().skip(1).forEach(all::unionAll);
        var order = order(keys);
        order.addFirst(SqlBuilder.sortColumn(OWNER));
        return all.orderBy(order).build().render(RenderingStrategies.MYBATIS3);
    }

    /** Where a record stands in a list: its cursor; empty where it is not there. */
    public Optional<String> cursor(SqlSession session, List<ListQuery.SortOrder> sort, long recordId)
            throws SQLException {
        var keys = keys(sort);
        var query = ListQuery.ALL.where(new Condition.FieldIs(
                SystemField.ID.field().id(), Condition.Test.IS, List.of(String.valueOf(recordId))));
        var statement = PreparedQuery.of(select(query, keys, Criteria.present(main), Optional.empty())
                .build()
                .render(RenderingStrategies.MYBATIS3));
        return statement.rows(session.getConnection(), keys.size()).stream()
                .findFirst()
                .map(row -> cursor(keys, row));
    }

    private PreparedQuery statement(ListQuery query, List<SortKey> keys) {
        boolean isPlain = query.where().equals(Condition.ALWAYS)
                && query.search().isBlank()
                && query.after().isEmpty();
        // while a switch is under way, tables have other names from one moment to the next
        if (!isPlain || binding.provisional()) {
            return ordered(query, keys);
        }
        var key = new PlainList(
                binding.generation(), table.recordType().id(), query.sort(), query.most(), query.audience());
        return plain.get(key, _ -> ordered(query, keys));
    }

    /**
     * One row more than the page, to see whether there is another. What visitors see is asked for state by state, so that
     * the database reads no further in an index of the state and the order than the page goes.
     */
    private PreparedQuery ordered(ListQuery query, List<SortKey> keys) {
        if (query.audience().everyState()) {
            return PreparedQuery.of(select(query, keys, Criteria.present(main), Optional.empty())
                    .build()
                    .render(RenderingStrategies.MYBATIS3));
        }
        return PreparedQuery.of(SqlBuilder.multiSelect(select(query, keys, Criteria.published(main), Optional.empty()))
                .unionAll(select(query, keys, Criteria.due(main), Optional.empty()))
                .orderBy(order(keys))
                .limit(query.most() + 1L)
                .build()
                .render(RenderingStrategies.MYBATIS3));
    }

    /** The order of rows that several selects found together. */
    private static List<SortSpecification> order(List<SortKey> keys) {
        var order = new ArrayList<SortSpecification>();
        for (int i = 0; i < keys.size(); i++) {
            var name = SqlBuilder.sortColumn("key_" + i);
            order.add(keys.get(i).descending() ? name.descending() : name);
        }
        var last = SqlBuilder.sortColumn("own_id");
        order.add(keys.getFirst().descending() ? last.descending() : last);
        return order;
    }

    /** @param owner number of the list among several that are read together */
    private Buildable<SelectModel> select(
            ListQuery query, List<SortKey> keys, SqlCriterion state, Optional<Integer> owner) {
        var wanted = new ArrayList<BasicColumn>(List.of(id.as("own_id")));
        owner.ifPresent(number -> wanted.add(constant(String.valueOf(number)).as(OWNER)));
        var order = new ArrayList<SortSpecification>();
        for (int i = 0; i < keys.size(); i++) {
            var key = keys.get(i);
            wanted.add((key.isTime() ? SqlBuilder.cast(key.column()).as("CHAR") : key.column()).as("key_" + i));
            order.add(key.descending() ? key.column().descending() : key.column());
        }
        order.add(keys.getFirst().descending() ? id.descending() : id);
        var conditions = conditions(query, state);
        query.after().ifPresent(cursor -> conditions.add(and(behind(keys, cursor))));
        return SqlBuilder.select(wanted)
                .from(main, "m")
                .where(conditions)
                .orderBy(order)
                .limit(query.most() + 1L);
    }

    /** Exact where there are not too many. */
    public RecordList.Count count(SqlSession session, ListQuery query) {
        var within = SqlBuilder.select(constant("1").as("one"))
                .from(main, "m")
                .where(ListConditions.of(binding, table, main, query))
                .limit(COUNTED + 1L);
        SelectModel statement = SqlBuilder.select(SqlBuilder.count().as("records"))
                .from(within, "found")
                .build();
        var found = session.getMapper(CommonSelectMapper.class)
                .selectOneLong(statement.render(RenderingStrategies.MYBATIS3));
        return new RecordList.Count(Math.min(found, COUNTED), found <= COUNTED);
    }

    private List<AndOrCriteriaGroup> conditions(ListQuery query, SqlCriterion state) {
        return ListConditions.of(binding, table, main, query, state);
    }

    private List<SortKey> keys(List<ListQuery.SortOrder> sort) {
        if (sort.size() > MOST_SORTS) {
            throw new BadQuery("A list can be sorted by " + MOST_SORTS + " things at most.");
        }
        if (sort.isEmpty()) {
            return List.of(
                    key(new ListQuery.SortOrder(SystemField.UPDATED_AT.field().id(), true)));
        }
        return sort.stream().map(this::key).toList();
    }

    private SortKey key(ListQuery.SortOrder sort) {
        var own = SystemField.of(sort.field());
        if (own.isPresent()) {
            return new SortKey(
                    own.get().field(), Criteria.column(main, own.get().column()), sort.descending());
        }
        var field = table.recordType()
                .field(sort.field())
                .orElseThrow(() -> new BadQuery("There is no field " + sort.field() + " to sort by."));
        var name = table.own().columns().get(field.id());
        boolean ordered = FieldStorage.of(field.kind()) == FieldStorage.COLUMN
                && switch (field.kind()) {
                    case Kind.Coordinates _, Kind.LongText _, Kind.RichText _, Kind.Image _, Kind.File _ -> false;
                    case Kind.Plain _, Kind.Relation _, Kind.TermPick _, Kind.Nested _, Kind.Note _ -> true;
                };
        if (!ordered || name == null) {
            throw new BadQuery("Lists cannot be sorted by " + field.label() + ".");
        }
        return new SortKey(field, Criteria.column(main, name), sort.descending());
    }

    private static String cursor(List<SortKey> keys, ListedRecord row) {
        var parts = new ArrayList<String>();
        for (int i = 0; i < keys.size(); i++) {
            var value = row.keys().get(i);
            parts.add(
                    value == null ? "-" : "+" + encoded(text(keys.get(i).field().kind(), value)));
        }
        parts.add(String.valueOf(row.id()));
        return Base64.getUrlEncoder()
                .withoutPadding()
                .encodeToString(String.join(" ", parts).getBytes(StandardCharsets.UTF_8));
    }

    private static String encoded(String text) {
        return Base64.getUrlEncoder().withoutPadding().encodeToString(text.getBytes(StandardCharsets.UTF_8));
    }

    private static String text(Kind kind, Object cell) {
        return switch (cell) {
            case String time when ColumnValues.isTime(kind) -> time.replace(' ', 'T');
            case Boolean flag -> flag ? "1" : "0";
            default -> {
                var value = ColumnValues.fromColumn(kind, cell);
                yield value == null ? String.valueOf(cell) : String.valueOf(Values.wire(kind, value));
            }
        };
    }

    /** What comes behind the end of the page before; nothing comes before something. */
    private SqlCriterion behind(List<SortKey> keys, String cursor) {
        try {
            return behind(keys, parts(cursor, keys.size() + 1));
        } catch (IllegalArgumentException | DateTimeException _) {
            // it has the form of a cursor, and was never one of this list
            throw new BadQuery(NO_CURSOR);
        }
    }

    private SqlCriterion behind(List<SortKey> keys, List<String> parts) {
        var last = Long.valueOf(parts.getLast());
        boolean down = keys.getFirst().descending();
        SqlCriterion behind =
                group(id, down ? SqlBuilder.isLessThan((Object) last) : SqlBuilder.isGreaterThan((Object) last));
        for (int i = keys.size() - 1; i >= 0; i--) {
            var key = keys.get(i);
            var part = parts.get(i);
            var same = part.equals("-")
                    ? group(key.column(), SqlBuilder.isNull(), and(behind))
                    : group(key.column(), isEqualTo(value(key, part)), and(behind));
            behind = beyond(key, part)
                    .<SqlCriterion>map(beyond -> group(beyond, or(same)))
                    .orElse(same);
        }
        return behind;
    }

    private static Optional<SqlCriterion> beyond(SortKey key, String part) {
        if (part.equals("-")) {
            return key.descending() ? Optional.empty() : Optional.of(group(key.column(), SqlBuilder.isNotNull()));
        }
        var value = value(key, part);
        return Optional.of(
                key.descending()
                        ? group(key.column(), SqlBuilder.isLessThan(value), or(key.column(), SqlBuilder.isNull()))
                        : group(key.column(), SqlBuilder.isGreaterThan(value)));
    }

    private static Object value(SortKey key, String part) {
        var text = new String(Base64.getUrlDecoder().decode(part.substring(1)), StandardCharsets.UTF_8);
        if (key.field().kind() instanceof Kind.YesNo) {
            return text.equals("1") || text.equals("true") ? 1 : 0;
        }
        if (key.field().kind() instanceof Kind.DateTime) {
            return java.time.LocalDateTime.parse(text);
        }
        if (key.field().kind() instanceof Kind.Choice) {
            return text;
        }
        var own = SystemField.of(key.field().id());
        if (own.isPresent()) {
            return own.get().cell(text).orElse(text);
        }
        return Conditions.read(key.field().kind(), text)
                .map(ColumnValues::toColumn)
                .orElseThrow(() -> new BadQuery(NO_CURSOR));
    }

    private static List<String> parts(String cursor, int count) {
        try {
            var parts =
                    List.of(new String(Base64.getUrlDecoder().decode(cursor), StandardCharsets.UTF_8).split(" ", -1));
            boolean whole = parts.size() == count
                    && parts.getLast().matches("[0-9]{1,18}")
                    && parts.subList(0, count - 1).stream().allMatch(part -> part.matches("-|[+][A-Za-z0-9_-]*"));
            if (whole) {
                return parts;
            }
        } catch (IllegalArgumentException _) {
            // said below
        }
        throw new BadQuery(NO_CURSOR);
    }
}
