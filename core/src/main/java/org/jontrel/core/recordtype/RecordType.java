package org.jontrel.core.recordtype;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.jontrel.core.edit.ResolvedDefinition;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Group;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.Nesting;
import org.jontrel.core.model.SiteValues;
import org.jontrel.core.model.Taxonomy;

/**
 * A definition whose values a site keeps: a content type (many records), a taxonomy (many terms) or site values (one of a
 * kind). Shared groups and choice lists stand in their places; the use of a taxonomy is a field of kind term with the
 * taxonomy's id and key. Two record types are equal where everything in them is.
 */
public final class RecordType {
    /** Id of the group that holds the taxonomies of a type. */
    public static final String CLASSIFIED = "classified";

    private final Definition definition;
    private final List<Field> first;
    private final List<Group> groups;
    private final List<Field> fields;
    private final Map<String, Field> byId = new LinkedHashMap<>();
    private final Map<Storage, List<Field>> stored = new HashMap<>();
    private final Map<String, FieldLocation> homes = new LinkedHashMap<>();

    private RecordType(Definition definition, List<Field> first, List<Group> groups) {
        this.definition = definition;
        this.first = List.copyOf(first);
        this.groups = List.copyOf(groups);
        fields = Stream.concat(first.stream(), groups.stream().flatMap(group -> group.fields().stream()))
                .toList();
        for (var field : fields) {
            field.withInner().forEach(each -> byId.putIfAbsent(each.id(), each));
            settle(field, new FieldLocation("", List.of()));
        }
        byId.values()
                .forEach(field -> stored.computeIfAbsent(
                                new Storage(homes.get(field.id()).table(), FieldStorage.of(field.kind())),
                                _ -> new ArrayList<>())
                        .add(field));
    }

    /** Which table fields belong to, and in which way. */
    private record Storage(String table, FieldStorage how) {}

    /**
     * Where a field stands.
     *
     * @param table id of the repeater whose rows hold it; empty for the record itself
     * @param groups keys of the groups between that table and the field
     */
    public record FieldLocation(String table, List<String> groups) {
        public FieldLocation {
            groups = List.copyOf(groups);
        }

        FieldLocation within(String group) {
            return new FieldLocation(
                    table, Stream.concat(groups.stream(), Stream.of(group)).toList());
        }
    }

    private void settle(Field field, FieldLocation home) {
        homes.putIfAbsent(field.id(), home);
        var inner = field.kind() instanceof Kind.FieldGroup
                ? home.within(field.key())
                : new FieldLocation(field.id(), List.of());
        field.inner().forEach(each -> settle(each, inner));
    }

    /** The record type of a definition; empty for those that hold no values themselves. */
    public static Optional<RecordType> of(Model model, Definition definition) {
        var groups = new ResolvedDefinition(model).groups(definition);
        return switch (definition) {
            case ContentType type -> {
                var all = new ArrayList<>(groups);
                var classified = GivenFields.classified(model, type);
                if (!classified.isEmpty()) {
                    all.add(new Group(CLASSIFIED, "Classified by", "", classified));
                }
                yield Optional.of(new RecordType(
                        type, type.parts().stream().map(type::partField).toList(), all));
            }
            case Taxonomy taxonomy -> Optional.of(new RecordType(taxonomy, List.of(Taxonomy.LABEL), groups));
            case SiteValues values -> Optional.of(new RecordType(values, List.of(), groups));
            default -> Optional.empty();
        };
    }

    /** One that has these fields, whatever its definition says. */
    public static RecordType of(Definition definition, List<Field> fields) {
        return new RecordType(definition, List.of(), List.of(new Group("fields", "Fields", "", fields)));
    }

    /** All record types of a model: content types, then taxonomies, then site values, by key. */
    public static List<RecordType> all(Model model) {
        return model.definitions().stream()
                .flatMap(definition -> of(model, definition).stream())
                .toList();
    }

    public String id() {
        return definition.id();
    }

    public String key() {
        return definition.key();
    }

    public Definition definition() {
        return definition;
    }

    /** What people call one of what it holds. */
    public String singular() {
        return definition.name();
    }

    /** What people call several of them. */
    public String plural() {
        return switch (definition) {
            case ContentType type -> type.plural();
            case Taxonomy taxonomy -> taxonomy.plural();
            default -> definition.name();
        };
    }

    /** The public address segment; empty where it has no pages. */
    public String path() {
        return switch (definition) {
            case ContentType type -> type.path();
            case Taxonomy taxonomy -> taxonomy.path();
            default -> "";
        };
    }

    /** Where its records may stand under others; terms of a hierarchical taxonomy stand under terms of it. */
    public Nesting nesting() {
        return switch (definition) {
            case ContentType type -> type.nesting();
            case Taxonomy taxonomy
            when taxonomy.hierarchical() ->
                new Nesting(java.util.Set.of(taxonomy.id()), false, taxonomy.parentsInAddress());
            default -> Nesting.NONE;
        };
    }

    /** Whether it holds its values once, for the whole site. */
    public boolean single() {
        return definition instanceof SiteValues;
    }

    /** The field that names what it holds; empty for site values and types without a title. */
    public Optional<Field> title() {
        return field("part_title");
    }

    /** Fields before all groups: standard parts, the label of a term. */
    public List<Field> first() {
        return first;
    }

    public List<Group> groups() {
        return groups;
    }

    /** The fields of a record itself, not those within them. */
    public Stream<Field> fields() {
        return fields.stream();
    }

    /** A field by its id, however deep it stands. */
    public Optional<Field> field(String id) {
        return Optional.ofNullable(byId.get(id));
    }

    /** Where a field of this record type stands. */
    public FieldLocation home(String fieldId) {
        return homes.get(fieldId);
    }

    /** The fields that are kept in columns of one table: of the record itself, or of the rows of a repeater. */
    public List<Field> columns(String table) {
        return kept(table, FieldStorage.COLUMN);
    }

    /** The fields whose own tables belong to one table. */
    public List<Field> tables(String table) {
        return kept(table, FieldStorage.TABLE);
    }

    private List<Field> kept(String table, FieldStorage how) {
        return Collections.unmodifiableList(stored.getOrDefault(new Storage(table, how), List.of()));
    }

    /** All fields, however deep, by id, each before those within it. */
    public Map<String, Field> byId() {
        return Collections.unmodifiableMap(byId);
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof RecordType recordType
                && recordType.definition.equals(definition)
                && recordType.first.equals(first)
                && recordType.groups.equals(groups);
    }

    @Override
    public int hashCode() {
        return definition.hashCode();
    }
}
