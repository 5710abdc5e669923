package org.jontrel.core.stage;

import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.Taxonomy;
import org.jontrel.core.model.condition.Condition;
import org.jontrel.core.recordtype.RecordType;

/**
 * What a release does to the values of a site: ids of fields and record types that are kept otherwise behind it. Names and
 * wordings touch nothing.
 *
 * @param ids of what is touched
 */
record Touched(Set<String> ids) {
    static Touched between(Model before, Model after) {
        var touched = new Touched(new HashSet<>());
        var was = kept(before);
        var is = kept(after);
        var all = new HashSet<>(was.keySet());
        all.addAll(is.keySet());
        all.stream().filter(id -> !Objects.equals(was.get(id), is.get(id))).forEach(touched.ids::add);
        return touched;
    }

    /** How something is kept: of which record type it is, and everything that what is stored, or asked, depends on. */
    private record Kept(String recordTypeId, Object how) {}

    private static Map<String, Kept> kept(Model model) {
        var kept = new HashMap<String, Kept>();
        for (var definition : model.definitions()) {
            var recordType = RecordType.of(model, definition);
            if (definition.isOfPages()) {
                continue;
            }
            if (recordType.isEmpty()) {
                // what several fields share touches what each of them keeps
                kept.put(definition.id(), new Kept(definition.id(), definition));
                continue;
            }
            kept.put(definition.id(), new Kept(definition.id(), own(definition, recordType.get())));
            recordType
                    .get()
                    .groups()
                    .forEach(group ->
                            kept.put(definition.id() + " " + group.id(), new Kept(definition.id(), group.showWhen())));
            recordType.get().byId().values().forEach(field -> kept.put(field.id(), field(recordType.get(), field)));
        }
        return kept;
    }

    /** What a record type has beside its fields: where its records stand, how they are reached, the terms that it begins with. */
    private static Object own(Definition definition, RecordType recordType) {
        return switch (definition) {
            case ContentType type ->
                Map.of("taxonomies", type.taxonomies(), "nesting", type.nesting(), "path", type.path());
            case Taxonomy taxonomy ->
                Map.of("tree", taxonomy.hierarchical(), "terms", taxonomy.terms(), "path", taxonomy.path());
            default -> recordType.single();
        };
    }

    private record KeptField(
            RecordType.FieldLocation home, boolean required, Object kind, Condition showWhen, String fallback) {}

    private static Kept field(RecordType recordType, Field field) {
        // what is within stands for itself
        Object kind = field.kind() instanceof Kind.Nested ? field.kind().code() : field.kind();
        // when it is shown says only whether a value is missing
        var asked = field.required() ? field.showWhen() : Condition.ALWAYS;
        var how = new KeptField(recordType.home(field.id()), field.required(), kind, asked, field.fallback());
        return new Kept(recordType.id(), how);
    }

    boolean isApartFrom(Touched other) {
        return ids.stream().noneMatch(other.ids::contains);
    }

    boolean has(String id) {
        return ids.contains(id);
    }
}
