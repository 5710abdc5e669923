package org.jontrel.site.record.read;

import static org.mybatis.dynamic.sql.SqlBuilder.equalTo;

import java.math.BigDecimal;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.apache.ibatis.session.SqlSession;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.recordtype.FieldStorage;
import org.jontrel.site.table.Binding;
import org.jontrel.site.table.PhysicalNames;
import org.mybatis.dynamic.sql.AndOrCriteriaGroup;
import org.mybatis.dynamic.sql.BasicColumn;
import org.mybatis.dynamic.sql.SqlBuilder;
import org.mybatis.dynamic.sql.SqlColumn;
import org.mybatis.dynamic.sql.SqlTable;
import org.mybatis.dynamic.sql.render.RenderingStrategies;
import org.mybatis.dynamic.sql.select.SelectModel;
import org.mybatis.dynamic.sql.select.render.SelectStatementProvider;
import org.mybatis.dynamic.sql.util.Buildable;

/** How many records of a list have each value of a field, and its lowest and highest ones; one statement each. */
public final class ValueCounts {
    private final Binding binding;
    private final Binding.BoundTables table;
    private final SqlTable main;
    private final SqlColumn<Object> id;

    public ValueCounts(Binding binding, Binding.BoundTables table) {
        this.binding = binding;
        this.table = table;
        this.main = SqlTable.of(PhysicalNames.quoted(table.name()));
        this.id = Criteria.column(main, "id");
    }

    /** The lowest and highest value, as conditions have them. */
    public record LeastAndMost(String least, String most) {}

    /** By the key of an option, the number of a term, or true and false. A record under a term counts for that too. */
    public Map<String, Long> of(SqlSession session, ListQuery query, String fieldId) throws SQLException {
        var field = field(fieldId);
        var statement =
                ListReader.PreparedQuery.of(statement(query, field).build().render(RenderingStrategies.MYBATIS3));
        return statement
                .read(session.getConnection(), row -> Map.entry(value(field, row.getString(1)), row.getLong(2)))
                .stream()
                .collect(Collectors.toMap(Map.Entry::getKey, Map.Entry::getValue, Long::sum));
    }

    private Field field(String fieldId) {
        return table.recordType()
                .field(fieldId)
                .orElseThrow(() -> new BadQuery("There is no field " + fieldId + " to count by."));
    }

    private static String value(Field field, String cell) {
        return field.kind() instanceof Kind.YesNo ? String.valueOf(cell.equals("1") || cell.equals("true")) : cell;
    }

    private Buildable<SelectModel> statement(ListQuery query, Field field) {
        var place = table.fields().get(field.id());
        if (place == null) {
            var column = own(field);
            return SqlBuilder.select(column.as("value"), SqlBuilder.count().as("records"))
                    .from(main, "m")
                    .where(ListConditions.of(binding, table, main, query))
                    .and(column, SqlBuilder.isNotNull())
                    .groupBy(column);
        }
        var rows = SqlTable.of(PhysicalNames.quoted(place.name()));
        var above = above(field);
        if (above != null) {
            var tree = SqlTable.of(PhysicalNames.quoted(above.name()));
            var term = Criteria.column(tree, "above_id");
            return SqlBuilder.select(
                            term.as("value"), SqlBuilder.countDistinct(id).as("records"))
                    .from(main, "m")
                    .join(rows, "v")
                    .on(Criteria.column(rows, "record_id"), equalTo(id))
                    .join(tree, "up")
                    .on(Criteria.column(tree, "term_id"), equalTo(Criteria.column(rows, "term_id")))
                    .where(conditions(query, rows, field))
                    .groupBy(term);
        }
        var column = field.kind() instanceof Kind.TermPick
                ? Criteria.column(rows, "term_id")
                : Criteria.column(rows, place.columns().get(field.id()));
        return SqlBuilder.select(
                        column.as("value"), SqlBuilder.countDistinct(id).as("records"))
                .from(main, "m")
                .join(rows, "v")
                .on(Criteria.column(rows, "record_id"), equalTo(id))
                .where(conditions(query, rows, field))
                .groupBy(column);
    }

    /** What a term counts by is itself among what the reader may see. */
    private List<AndOrCriteriaGroup> conditions(ListQuery query, SqlTable rows, Field field) {
        var all = new ArrayList<>(ListConditions.of(binding, table, main, query));
        if (field.kind() instanceof Kind.TermPick pick) {
            new Criteria(binding, table, main, query.audience())
                    .readable(rows, pick.taxonomy())
                    .ifPresent(criterion -> all.add(SqlBuilder.and(criterion)));
        }
        return all;
    }

    /** What is above each term, where records are classified by the taxonomy itself. */
    private Binding.ValueTable above(Field field) {
        return field.kind() instanceof Kind.TermPick pick && pick.taxonomy().equals(field.id())
                ? binding.table(field.id())
                        .map(taxonomy -> taxonomy.fields().get(PhysicalNames.ABOVE))
                        .orElse(null)
                : null;
    }

    private SqlColumn<Object> own(Field field) {
        var name = table.own().columns().get(field.id());
        if (name == null || FieldStorage.of(field.kind()) != FieldStorage.COLUMN) {
            throw new BadQuery(field.label() + " holds no values that can be counted.");
        }
        return Criteria.column(main, name);
    }

    /** Of several fields at once; those without any value are left out. */
    public Map<String, LeastAndMost> bounds(SqlSession session, ListQuery query, List<String> fieldIds)
            throws SQLException {
        var wanted = new ArrayList<BasicColumn>();
        fieldIds.forEach(fieldId -> {
            var column = own(field(fieldId));
            wanted.add(SqlBuilder.cast(SqlBuilder.min(column)).as("CHAR"));
            wanted.add(SqlBuilder.cast(SqlBuilder.max(column)).as("CHAR"));
        });
        if (wanted.isEmpty()) {
            return Map.of();
        }
        SelectStatementProvider rendered = SqlBuilder.select(wanted)
                .from(main, "m")
                .where(ListConditions.of(binding, table, main, query))
                .build()
                .render(RenderingStrategies.MYBATIS3);
        return ListReader.PreparedQuery.of(rendered)
                .read(session.getConnection(), row -> bounds(row, fieldIds))
                .getFirst();
    }

    private Map<String, LeastAndMost> bounds(ResultSet row, List<String> fieldIds) throws SQLException {
        var bounds = new HashMap<String, LeastAndMost>();
        for (int i = 0; i < fieldIds.size(); i++) {
            var least = row.getString(2 * i + 1);
            if (least != null) {
                var kind = field(fieldIds.get(i)).kind();
                bounds.put(
                        fieldIds.get(i), new LeastAndMost(shown(kind, least), shown(kind, row.getString(2 * i + 2))));
            }
        }
        return bounds;
    }

    private static String shown(Kind kind, String cell) {
        return switch (kind) {
            case Kind.Numeric _ -> new BigDecimal(cell).stripTrailingZeros().toPlainString();
            case Kind.DateTime _ -> cell.replace(' ', 'T').substring(0, "2026-01-31T10:00".length());
            default -> cell;
        };
    }
}
