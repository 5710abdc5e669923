package org.jontrel.core.format;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.SequencedMap;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Width;
import org.jontrel.core.model.condition.Condition;
import org.jontrel.core.shape.ByWord;
import org.jontrel.core.shape.Mapper;
import org.jontrel.core.shape.ObjectShape;
import org.jontrel.core.shape.Scalars;
import org.jontrel.core.shape.Sense;
import org.jontrel.core.shape.ThingShape;

/** A field in a file: what all fields have, then the settings of its kind beside it. */
public final class FieldShape {
    public static final ThingShape<Field> INSTANCE = new ByWord<>(
            "field", "kind", FieldShape::byKind, field -> field.kind().code(), FieldShape::withFallback);

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

    private static Field withFallback(Field field, Mapper mapper) {
        if (field.fallback().isEmpty()) {
            return field;
        }
        var fallback = mapper.fallback(field);
        return fallback.equals(field.fallback()) ? field : field.withFallback(fallback);
    }
}
