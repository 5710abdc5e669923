package org.jontrel.site.record;

import static org.mybatis.dynamic.sql.SqlBuilder.constant;
import static org.mybatis.dynamic.sql.SqlBuilder.insertInto;
import static org.mybatis.dynamic.sql.SqlBuilder.isEqualTo;
import static org.mybatis.dynamic.sql.SqlBuilder.update;

import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.apache.ibatis.session.SqlSession;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.finding.Place;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Kind;
import org.jontrel.core.value.RecordCheck;
import org.jontrel.site.media.MediaStore;
import org.jontrel.site.table.Binding;
import org.jontrel.site.table.Bindings;
import org.jontrel.site.table.Cells;
import org.jontrel.site.table.Database;
import org.jontrel.site.table.Gate;
import org.jontrel.site.table.RecordIds;
import org.mybatis.dynamic.sql.render.RenderingStrategies;
import org.mybatis.dynamic.sql.util.mybatis3.CommonInsertMapper;
import org.mybatis.dynamic.sql.util.mybatis3.CommonUpdateMapper;

/** Records of a site. Types are named by key, as in the installed model; an unknown one gives nothing. */
public final class RecordStore {
    private static final int UNKNOWN_COLUMN = 1054;
    private static final int UNKNOWN_TABLE = 1146;
    private static final int DUPLICATE = 1062;
    /** Numbers behind a title are tried this often; then the record's id makes its address certain. */
    private static final int NUMBERED_TRIES = 3;

    private static final int SLUG_TRIES = 6;
    private final Database database;
    private final Bindings bindings;
    private final MediaStore media;
    private final RecordIds ids;

    public RecordStore(Database database, Bindings bindings, MediaStore media, RecordIds ids) {
        this.database = database;
        this.bindings = bindings;
        this.media = media;
        this.ids = ids;
    }

    /**
     * A page of a list, newest change first.
     *
     * @param total all records that fit the filter
     */
    public record Page(ContentType type, List<StoredRecord> records, long total) {}

    public Optional<Page> page(String typeKey, Filter filter, long offset, int most) {
        return reading(
                typeKey,
                (session, table) ->
                        new Page(table.type, table.page(session, filter, offset, most), table.count(session, filter)));
    }

    public Optional<StoredRecord> byId(String typeKey, long id) {
        return reading(typeKey, (session, table) -> table.byId(session, id)).flatMap(found -> found);
    }

    public Optional<StoredRecord> bySlug(String typeKey, String slug) {
        return reading(typeKey, (session, table) -> table.bySlug(session, slug)).flatMap(found -> found);
    }

    private interface Reading<T> {
        T with(SqlSession session, RecordTable table) throws SQLException;
    }

    /** Reads, and once more where a switch took a name away in between. */
    private <T> Optional<T> reading(String typeKey, Reading<T> work) {
        try {
            return database.transaction(session -> read(session, bindings.current(session), typeKey, work));
        } catch (RuntimeException e) {
            int error = Database.errorOf(e);
            if (error != UNKNOWN_COLUMN && error != UNKNOWN_TABLE) {
                throw e;
            }
            return database.transaction(session -> read(session, bindings.reload(session), typeKey, work));
        }
    }

    private static <T> Optional<T> read(SqlSession session, Binding binding, String typeKey, Reading<T> work)
            throws SQLException {
        var type = binding.model().typeByKey(typeKey);
        var bound = type.flatMap(t -> binding.table(t.id()));
        return bound.isEmpty()
                ? Optional.empty()
                : Optional.ofNullable(work.with(session, new RecordTable(type.get(), bound.get())));
    }

    /**
     * Stores what a form or the API sent.
     *
     * @param id of the record to change, or empty for a new one
     * @param version that the sender had seen; of no meaning for a new one
     * @param raw by field key
     */
    public Saved save(String typeKey, Optional<Long> id, int version, State state, Map<String, ?> raw, String author) {
        for (int attempt = 1; ; attempt++) {
            boolean crowded = attempt > NUMBERED_TRIES;
            try {
                return database.transaction(
                        session -> saveOnce(session, typeKey, id, version, state, raw, author, crowded));
            } catch (RuntimeException e) {
                int error = Database.errorOf(e);
                boolean again = error == DUPLICATE || error == UNKNOWN_COLUMN || error == UNKNOWN_TABLE;
                if (!again || attempt >= SLUG_TRIES) {
                    throw e;
                }
            }
        }
    }

    private Saved saveOnce(
            SqlSession session,
            String typeKey,
            Optional<Long> id,
            int version,
            State state,
            Map<String, ?> raw,
            String author,
            boolean crowded)
            throws SQLException {
        var binding = bindings.current(session);
        var passage = Gate.pass(session.getConnection(), binding.generation());
        if (passage == Gate.Passage.CHANGED) {
            binding = bindings.reload(session);
            passage = Gate.pass(session.getConnection(), binding.generation());
        }
        if (passage != Gate.Passage.OPEN) {
            return new Saved.Closed();
        }
        var type = binding.model().typeByKey(typeKey);
        var bound = binding;
        var table = type.flatMap(t -> bound.table(t.id()).map(b -> new RecordTable(t, b)));
        return table.isEmpty()
                ? new Saved.Missing()
                : store(session, table.get(), id, version, state, raw, author, crowded);
    }

    private Saved store(
            SqlSession session,
            RecordTable table,
            Optional<Long> id,
            int version,
            State state,
            Map<String, ?> raw,
            String author,
            boolean crowded) {
        var checked = RecordCheck.read(table.type, raw);
        var findings = new ArrayList<>(checked.findings());
        findings.addAll(unknownPictures(session, table.type, checked.values()));
        if (state == State.PUBLISHED || checked.values().get("part_title") == null) {
            checked.missing().stream()
                    .filter(finding ->
                            state == State.PUBLISHED || finding.place().field().equals("part_title"))
                    .forEach(findings::add);
        }
        if (!findings.isEmpty()) {
            return new Saved.Refused(findings);
        }
        boolean complete = checked.missing().isEmpty();
        if (id.isEmpty()) {
            return insert(session, table, state, checked.values(), complete, author, crowded);
        }
        int changed = change(session, table, id.get(), version, state, checked.values(), complete, author);
        var now = table.byId(session, id.get());
        if (now.isEmpty()) {
            return new Saved.Missing();
        }
        return changed == 1 ? new Saved.Stored(now.get()) : new Saved.Conflict(now.get());
    }

    private List<Finding> unknownPictures(SqlSession session, ContentType type, Map<String, Object> values) {
        return type.allFields()
                .filter(field -> field.kind() instanceof Kind.Image && values.get(field.id()) != null)
                .flatMap(field -> media
                        .picture(session, (Long) values.get(field.id()))
                        .map(picture -> org.jontrel.core.value.Values.checkPicture(field, picture))
                        .orElse(List.of(Finding.of(
                                Code.VALUE_NOT_IMAGE, Place.field(type.id(), field.id(), ""), field.label())))
                        .stream())
                .toList();
    }

    private Saved insert(
            SqlSession session,
            RecordTable table,
            State state,
            Map<String, Object> values,
            boolean complete,
            String author,
            boolean crowded) {
        long id = ids.next();
        var title = String.valueOf(values.get("part_title"));
        var slug = crowded
                ? Slugs.certain(title, id)
                : Slugs.free(
                        title, candidate -> table.bySlug(session, candidate).isPresent());
        var insert = insertInto(table.table)
                .set(table.id)
                .toValue(id)
                .set(table.slug)
                .toValue(slug)
                .set(table.state)
                .toValue(state.code())
                .set(table.version)
                .toValue(1)
                .set(table.complete)
                .toValue(complete)
                .set(table.createdAt)
                .toConstant("UTC_TIMESTAMP(6)")
                .set(table.updatedAt)
                .toConstant("UTC_TIMESTAMP(6)")
                .set(table.createdBy)
                .toValue(author)
                .set(table.updatedBy)
                .toValue(author);
        for (var column : table.columns().entrySet()) {
            var value = values.get(column.getKey());
            if (value != null) {
                insert = insert.set(column.getValue()).toValue(Cells.toColumn(value));
            }
        }
        session.getMapper(CommonInsertMapper.class).generalInsert(insert.build().render(RenderingStrategies.MYBATIS3));
        return new Saved.Stored(table.byId(session, id).orElseThrow());
    }

    private int change(
            SqlSession session,
            RecordTable table,
            long id,
            int version,
            State state,
            Map<String, Object> values,
            boolean complete,
            String author) {
        var change = update(table.table)
                .set(table.state)
                .equalTo((Object) state.code())
                .set(table.version)
                .equalTo(org.mybatis.dynamic.sql.SqlBuilder.add(table.version, constant("1")))
                .set(table.complete)
                .equalTo((Object) complete)
                .set(table.updatedAt)
                .equalToConstant("UTC_TIMESTAMP(6)")
                .set(table.updatedBy)
                .equalTo((Object) author);
        for (var column : table.columns().entrySet()) {
            change = change.set(column.getValue()).equalToOrNull(Cells.toColumn(values.get(column.getKey())));
        }
        return session.getMapper(CommonUpdateMapper.class)
                .update(change.where(table.id, isEqualTo((Object) id))
                        .and(table.version, isEqualTo((Object) version))
                        .build()
                        .render(RenderingStrategies.MYBATIS3));
    }
}
