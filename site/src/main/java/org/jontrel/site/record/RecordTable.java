package org.jontrel.site.record;

import static org.mybatis.dynamic.sql.SqlBuilder.isEqualTo;
import static org.mybatis.dynamic.sql.SqlBuilder.isGreaterThan;
import static org.mybatis.dynamic.sql.SqlBuilder.select;

import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.apache.ibatis.session.SqlSession;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Field;
import org.jontrel.site.table.Binding;
import org.jontrel.site.table.Cells;
import org.jontrel.site.table.Names;
import org.mybatis.dynamic.sql.BasicColumn;
import org.mybatis.dynamic.sql.SqlBuilder;
import org.mybatis.dynamic.sql.SqlColumn;
import org.mybatis.dynamic.sql.SqlTable;
import org.mybatis.dynamic.sql.render.RenderingStrategies;
import org.mybatis.dynamic.sql.select.QueryExpressionDSL;
import org.mybatis.dynamic.sql.select.SelectModel;
import org.mybatis.dynamic.sql.util.mybatis3.CommonCountMapper;
import org.mybatis.dynamic.sql.util.mybatis3.CommonSelectMapper;

/** One type's table as statements are built on it. Names come from the binding; values are always parameters. */
public final class RecordTable {
    final ContentType type;
    final SqlTable table;
    final SqlColumn<Object> id;
    final SqlColumn<Object> slug;
    final SqlColumn<Object> state;
    final SqlColumn<Object> version;
    final SqlColumn<Object> complete;
    final SqlColumn<Object> createdAt;
    final SqlColumn<Object> updatedAt;
    final SqlColumn<Object> createdBy;
    final SqlColumn<Object> updatedBy;
    private final Map<String, SqlColumn<Object>> columns = new LinkedHashMap<>();

    public RecordTable(ContentType type, Binding.Table bound) {
        this.type = type;
        table = SqlTable.of(Names.quoted(bound.name()));
        id = own("id");
        slug = own("slug");
        state = own("state");
        version = own("version");
        complete = own("complete");
        createdAt = own("created_at");
        updatedAt = own("updated_at");
        createdBy = own("created_by");
        updatedBy = own("updated_by");
        type.allFields().forEach(field -> {
            var name = bound.columns().get(field.id());
            if (name != null) {
                columns.put(field.id(), SqlColumn.of(Names.quoted(name), table));
            }
        });
    }

    private SqlColumn<Object> own(String name) {
        return SqlColumn.of("`" + name + "`", table);
    }

    /** Columns of fields by field id. */
    Map<String, SqlColumn<Object>> columns() {
        return columns;
    }

    private QueryExpressionDSL<SelectModel> all() {
        var wanted = new ArrayList<BasicColumn>(List.of(
                id.as("own_id"),
                slug.as("own_slug"),
                state.as("own_state"),
                version.as("own_version"),
                complete.as("own_complete"),
                createdAt.as("own_created_at"),
                updatedAt.as("own_updated_at"),
                createdBy.as("own_created_by"),
                updatedBy.as("own_updated_by")));
        columns.forEach((fieldId, column) -> wanted.add(column.as(fieldId)));
        return select(wanted).from(table);
    }

    private List<StoredRecord> records(SqlSession session, SelectModel query) {
        return session
                .getMapper(CommonSelectMapper.class)
                .selectManyMappedRows(query.render(RenderingStrategies.MYBATIS3))
                .stream()
                .map(this::record)
                .toList();
    }

    /** Up to {@code most} records behind an id, in the order of ids. */
    public List<StoredRecord> after(SqlSession session, long afterId, int most) {
        return records(
                session,
                all().where(id, isGreaterThan((Object) afterId))
                        .orderBy(id)
                        .limit(most)
                        .build());
    }

    java.util.Optional<StoredRecord> byId(SqlSession session, long recordId) {
        return records(session, all().where(id, isEqualTo((Object) recordId)).build()).stream()
                .findFirst();
    }

    java.util.Optional<StoredRecord> bySlug(SqlSession session, String wanted) {
        return records(session, all().where(slug, isEqualTo((Object) wanted)).build()).stream()
                .findFirst();
    }

    List<StoredRecord> page(SqlSession session, Filter filter, long offset, int most) {
        return records(
                session,
                all().where(conditions(filter))
                        .configureStatement(c -> c.setNonRenderingWhereClauseAllowed(true))
                        .orderBy(updatedAt.descending(), id.descending())
                        .limit(most)
                        .offset(offset)
                        .build());
    }

    long count(SqlSession session, Filter filter) {
        return session.getMapper(CommonCountMapper.class)
                .count(SqlBuilder.countFrom(table)
                        .where(conditions(filter))
                        .configureStatement(c -> c.setNonRenderingWhereClauseAllowed(true))
                        .build()
                        .render(RenderingStrategies.MYBATIS3));
    }

    private List<org.mybatis.dynamic.sql.AndOrCriteriaGroup> conditions(Filter filter) {
        var conditions = new ArrayList<org.mybatis.dynamic.sql.AndOrCriteriaGroup>();
        filter.state().ifPresent(wanted -> conditions.add(SqlBuilder.and(state, isEqualTo((Object) wanted.code()))));
        if (filter.incomplete()) {
            conditions.add(SqlBuilder.and(complete, isEqualTo((Object) 0)));
        }
        var title = columns.get("part_title");
        if (!filter.search().isBlank() && title != null) {
            var pattern = "%" + filter.search().strip().replaceAll("([\\\\%_])", "\\\\$1") + "%";
            conditions.add(SqlBuilder.and(title, SqlBuilder.isLike((Object) pattern)));
        }
        return conditions;
    }

    private StoredRecord record(Map<String, Object> row) {
        var values = new LinkedHashMap<String, Object>();
        for (Field field : type.allFields().toList()) {
            var value = Cells.fromColumn(field.kind(), row.get(field.id()));
            if (value != null) {
                values.put(field.id(), value);
            }
        }
        return new StoredRecord(
                ((Number) row.get("own_id")).longValue(),
                (String) row.get("own_slug"),
                State.of((String) row.get("own_state")),
                ((Number) row.get("own_version")).intValue(),
                row.get("own_complete") instanceof Boolean flag
                        ? flag
                        : ((Number) row.get("own_complete")).intValue() != 0,
                instant(row.get("own_created_at")),
                instant(row.get("own_updated_at")),
                (String) row.get("own_created_by"),
                (String) row.get("own_updated_by"),
                values);
    }

    private static Instant instant(Object cell) {
        return switch (cell) {
            case java.sql.Timestamp time -> time.toLocalDateTime().toInstant(ZoneOffset.UTC);
            case LocalDateTime time -> time.toInstant(ZoneOffset.UTC);
            default -> throw new IllegalStateException("Not a time: " + cell.getClass());
        };
    }
}
