package org.jontrel.core.format;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.SequencedMap;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Nearest;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Width;
import org.jontrel.core.model.condition.Condition;
import org.jontrel.core.shape.Mapper;
import org.jontrel.core.shape.Node;
import org.jontrel.core.shape.ObjectShape;
import org.jontrel.core.shape.ReadContext;
import org.jontrel.core.shape.Scalars;
import org.jontrel.core.shape.Schemas;
import org.jontrel.core.shape.Sense;
import org.jontrel.core.shape.ThingShape;
import org.jontrel.core.shape.WriteContext;

/** A field in a file: what all fields have, then the settings of its kind beside it. */
public final class FieldShape implements ThingShape<Field> {
    public static final FieldShape INSTANCE = new FieldShape();

    /** One shape for each kind, in the order people are offered them. */
    private static volatile SequencedMap<String, ObjectShape<Field>> byKind;

    private static final java.util.Set<String> COMMON =
            java.util.Set.of("id", "key", "label", "kind", "help", "required", "default", "width", "show_when", "api");

    private FieldShape() {}

    /** Whether fields of every kind have this property. */
    public static boolean isCommon(String property) {
        return COMMON.contains(property);
    }

    /** The shapes of fields by kind; made when first needed, since fields hold fields. */
    static SequencedMap<String, ObjectShape<Field>> byKind() {
        if (byKind == null) {
            var all = new LinkedHashMap<String, ObjectShape<Field>>();
            KindShapes.BY_CODE.forEach((code, shape) -> all.put(code, of(code, shape)));
            byKind = all;
        }
        return byKind;
    }

    @SuppressWarnings("unchecked") // a field of this shape has this kind
    private static <K extends Kind> ObjectShape<Field> of(String code, ObjectShape<K> kind) {
        return ObjectShape.<Field>of(kind.title())
                .id(Field::id)
                .key(Field::key)
                .labelled(Field::label)
                .required(
                        "label",
                        Scalars.TEXT,
                        Field::label,
                        Sense.WORDING,
                        "The name of the field, over its control and on pages.")
                .required(
                        "kind",
                        Scalars.word(new LinkedHashMap<>(Map.of(code, code)), word -> word),
                        field -> field.kind().code(),
                        Sense.PARTS,
                        "The kind of value the field holds.")
                .optional(
                        "help",
                        Scalars.TEXT,
                        Field::help,
                        "",
                        Sense.WORDING,
                        "A sentence for editors, shown under the control.")
                .optional(
                        "required",
                        Scalars.FLAG,
                        Field::required,
                        false,
                        Sense.RULE,
                        "Whether a published record needs a value.")
                .optional(
                        "default",
                        Scalars.VALUE,
                        Field::fallback,
                        "",
                        Sense.BEHAVIOUR,
                        "The value that a new record starts with; for an option or term, its key. Existing records keep what they have.")
                .optional(
                        "width",
                        Scalars.word(Width.class, Width::code),
                        Field::width,
                        Width.FULL,
                        Sense.FORM,
                        "How much of a line in the form it takes.")
                .optional(
                        "show_when",
                        ConditionShape.INSTANCE,
                        Field::showWhen,
                        Condition.ALWAYS,
                        Sense.BEHAVIOUR,
                        "The condition under which editors see it; while hidden, it is not required.")
                .optional(
                        "api",
                        Scalars.FLAG,
                        Field::api,
                        true,
                        Sense.PERMISSION,
                        "Whether the content API returns its value.")
                .all(kind.properties(), field -> (K) field.kind())
                .build(v -> new Field(
                        v.get("id"),
                        v.get("key"),
                        v.get("label"),
                        v.get("help"),
                        v.<Boolean>get("required"),
                        kind.make(v.byName()),
                        v.get("show_when"),
                        v.get("width"),
                        v.<Boolean>get("api"),
                        v.get("default")));
    }

    @Override
    public String id(Field field) {
        return field.id();
    }

    @Override
    public String label(Field field) {
        return field.label();
    }

    @Override
    public boolean scoped(Field field) {
        return false;
    }

    @Override
    public ObjectShape<Field> of(Field field) {
        return byKind().get(field.kind().code());
    }

    @Override
    public Optional<Field> read(Node node, String name, ReadContext reading) {
        if (!(node instanceof Node.Mapping mapping)) {
            reading.add(Code.VALUE_WRONG_SHAPE, node, name, "a set of properties", node.described());
            return Optional.empty();
        }
        var entries = ObjectShape.entries(mapping, reading);
        var entry = entries.get("kind");
        if (entry == null) {
            reading.add(Code.PROPERTY_MISSING, mapping, "kind", "field");
            return Optional.empty();
        }
        var word = entry.value() instanceof Node.Scalar scalar ? scalar.text() : "";
        var shape = byKind().get(word);
        if (shape == null) {
            var valid = byKind().keySet();
            reading.add(
                    Code.WORD_UNKNOWN,
                    entry.value(),
                    "kind",
                    word,
                    Nearest.hint(word, valid),
                    String.join(", ", valid));
            return Optional.empty();
        }
        return shape.read(mapping, entries, reading);
    }

    @Override
    public Object write(Field field, WriteContext to) {
        return of(field).write(field, to);
    }

    @Override
    public Field map(Field field, Mapper mapper) {
        var mapped = of(field).map(field, mapper);
        if (mapped.fallback().isEmpty()) {
            return mapped;
        }
        var fallback = mapper.fallback(mapped);
        return fallback.equals(mapped.fallback()) ? mapped : mapped.withFallback(fallback);
    }

    @Override
    public Map<String, Object> schema(Schemas schemas) {
        return schemas.reference("field", () -> {
            var kinds = new LinkedHashMap<String, Map<String, Object>>();
            byKind().forEach((code, shape) -> {
                var schema = new LinkedHashMap<>(shape.schemaOfProperties(schemas));
                @SuppressWarnings("unchecked")
                var properties = new LinkedHashMap<>((Map<String, Object>) schema.get("properties"));
                properties.put("kind", Map.of("const", code));
                schema.put("properties", properties);
                kinds.put(code, schema);
            });
            return schemas.byWord("kind", kinds);
        });
    }
}
