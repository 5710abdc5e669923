package org.jontrel.core.generate.sql;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.jontrel.core.code.ModelPackage;
import org.jontrel.core.generate.api.ApiEntity;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.condition.RecordState;
import org.jontrel.core.recordtype.RecordType;

/** The tables of a model: what the content API gives of it. */
final class SqlTables {
    /** The table of values that a new release has no place for. */
    static final String HELD = "held_value";

    private static final String MEDIA = "media";
    /** Begins the marks of columns that are no fields'. */
    private static final String OWN = "own_";

    private final Model model;
    private final SqlNames names = new SqlNames(Set.of());
    private final List<TableDraft> drafts = new ArrayList<>();
    private final Map<String, TableDraft> byDefinition = new HashMap<>();
    private final TableDraft media;

    private SqlTables(Model model) {
        this.model = model;
        media = media(names.take(MEDIA));
        var held = held(names.take(HELD));
        var types = RecordType.all(model).stream().filter(ApiEntity::isGiven).toList();
        for (var each : types) {
            var draft = new TableDraft(each.id(), "", names.take(named(each), each.plural()), about(each));
            drafts.add(draft);
            byDefinition.put(each.id(), draft);
        }
        for (var each : types) {
            var draft = byDefinition.get(each.id());
            draft.key(TableDraft.ID, SqlType.ID, each.single() ? "Always 1: there is one of it" : "As the site has it");
        }
        var fields = new SqlFields(this);
        for (var each : types) {
            var draft = byDefinition.get(each.id());
            own(draft, each);
            fields.add(draft, each.fields().toList(), "");
        }
        drafts.add(media);
        drafts.add(held);
    }

    static SqlSchema of(ModelPackage content) {
        var made = new SqlTables(content.model());
        var notes = new ArrayList<>(made.names.notes());
        made.drafts.forEach(each -> notes.addAll(each.notes()));
        // views come before constraints: people look for them
        var views = new HashMap<String, String>();
        for (var each : made.drafts) {
            if (!each.isPart()) {
                views.put(each.mark, made.names.take(each.name + "_view"));
            }
        }
        var tables = made.drafts.stream().map(each -> each.table(made.names)).toList();
        return new SqlSchema(tables, new SqlViews(content.model(), tables, views).all(), notes);
    }

    private static String named(RecordType recordType) {
        return recordType.key()
                + switch (recordType.definition().sort()) {
                    case TAXONOMY -> "_term";
                    case VALUES -> "_values";
                    default -> "";
                };
    }

    private static String about(RecordType recordType) {
        var description =
                switch (recordType.definition()) {
                    case org.jontrel.core.model.ContentType type -> type.description();
                    case org.jontrel.core.model.Taxonomy taxonomy -> taxonomy.description();
                    default -> "";
                };
        return recordType.plural() + "." + (description.isBlank() ? "" : " " + description);
    }

    private TableDraft media(String name) {
        var draft = new TableDraft(MEDIA, "", name, "Pictures and files.");
        draft.key(TableDraft.ID, SqlType.ID, "As the site has it");
        draft.column(OWN + "url", "url", SqlType.LONG_TEXT, true, "Address.");
        draft.column(OWN + "name", "name", SqlType.TEXT, false, "Name of the file.");
        draft.column(OWN + "format", "format", SqlType.WORD, false, "Such as jpeg or pdf.");
        draft.column(
                OWN + "alt", "alt", SqlType.LONG_TEXT, false, "What a picture shows, for those who do not see it.");
        draft.column(OWN + "width", "width", SqlType.COUNT, false, "Pixels.");
        draft.column(OWN + "height", "height", SqlType.COUNT, false, "Pixels.");
        draft.column(OWN + "bytes", "bytes", SqlType.ID, false, "Size of the file.");
        return draft;
    }

    private TableDraft held(String name) {
        var draft = new TableDraft(
                HELD, "", name, "Values that a later release has no place for, as text. Nothing reads them.");
        draft.column(OWN + "release", "from_release", SqlType.TEXT, true, "The release that still had a place for it.");
        draft.column(OWN + "table", "table_name", SqlType.WORD, true, "Where it stood, as it was called then.");
        draft.column(OWN + "column", "column_name", SqlType.WORD, true, "Where it stood, as it was called then.");
        draft.column(OWN + "key", "record_key", SqlType.WORD, true, "The key of its row, with dots between its parts.");
        draft.column(OWN + "value", "value", SqlType.LONG_TEXT, true, "What stood there.");
        return draft;
    }

    /** What records have beside their fields. */
    private void own(TableDraft draft, RecordType recordType) {
        if (recordType.single()) {
            draft.rule(new SqlRule.Bound(TableDraft.ID, "=", "1"));
            draft.column(OWN + "updated_at", "updated_at", SqlType.MOMENT, false, "Last change.");
            return;
        }
        draft.column(OWN + "slug", "slug", SqlType.TEXT, false, "Its part of its address.");
        draft.column(OWN + "url", "url", SqlType.LONG_TEXT, false, "Address of its page.");
        var state = draft.column(OWN + "state", "state", SqlType.WORD, false, "Given to who has a token.");
        var states = new LinkedHashMap<String, String>();
        Stream.of(RecordState.values()).forEach(each -> states.put(each.code(), each.code()));
        draft.rule(new SqlRule.OneOf(state, states));
        draft.column(OWN + "publish_at", "publish_at", SqlType.MOMENT, false, "When it appears.");
        draft.column(OWN + "retire_at", "retire_at", SqlType.MOMENT, false, "When it goes by itself.");
        draft.column(OWN + "updated_at", "updated_at", SqlType.MOMENT, false, "Last change.");
        var under = recordType.nesting().under();
        if (!under.isEmpty()) {
            leads(draft, under, new SqlColumn(OWN + "parent", "parent", SqlType.ID, false, "What it stands under."));
        }
    }

    /** A table of what a field has several of. */
    TableDraft part(TableDraft of, Field field, String wanted) {
        var holder = of.mark.contains("/") ? of.mark.substring(0, of.mark.indexOf('/')) : of.mark;
        var help = field.help().isBlank() ? "" : " " + field.help();
        var draft = new TableDraft(
                holder + "/" + field.id(), of.mark, names.take(wanted, wanted), field.label() + "." + help);
        drafts.add(draft);
        return draft;
    }

    TableDraft media() {
        return media;
    }

    /** The table of a definition; empty where the API does not give what it holds. */
    Optional<TableDraft> of(String definition) {
        return Optional.ofNullable(byDefinition.get(definition));
    }

    /**
     * The columns that say where something leads: the id, and where there are several such places the key of the right one.
     *
     * @param to ids of definitions; all content types where empty
     * @param column what it is for; its name is that before {@code _id}
     */
    void leads(TableDraft from, Collection<String> to, SqlColumn column) {
        var targets = model.definitions().stream()
                .filter(each -> to.isEmpty() ? each.sort() == Definition.Sort.TYPE : to.contains(each.id()))
                .toList();
        if (targets.size() == 1) {
            var id = id(from, column);
            of(targets.getFirst().id())
                    .ifPresent(target -> from.reference(
                            List.of(id),
                            target,
                            column.required() ? SqlConstraint.Deletion.CASCADE : SqlConstraint.Deletion.SET_NULL));
            return;
        }
        var words = new LinkedHashMap<String, String>();
        targets.forEach(each -> words.put(each.id(), each.key()));
        var type = from.column(
                column.mark() + SqlColumn.TYPE,
                column.name() + "_type",
                SqlType.WORD,
                column.required(),
                column.comment() + " The key of the type it leads to.");
        if (!words.isEmpty()) {
            from.rule(new SqlRule.OneOf(type, words));
        }
        var id = id(from, column);
        from.rule(new SqlRule.Together(type, id));
        from.index(List.of(id));
    }

    private static String id(TableDraft from, SqlColumn column) {
        return from.column(column.mark(), column.name() + "_id", SqlType.ID, column.required(), column.comment());
    }
}
