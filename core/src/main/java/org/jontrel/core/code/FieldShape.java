package org.jontrel.core.code;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Nearest;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;

/** A field in a file: what all fields have, then the settings of its kind beside it. */
final class FieldShape implements Shape<Field> {
    static final FieldShape INSTANCE = new FieldShape();

    /** What all fields have; the kind is put in by {@link #read}. */
    static final ObjectShape<Field> COMMON = ObjectShape.<Field>of("field")
            .optional("id", Shape.text(), Field::id, "", Sense.IDENTITY, "Kept for life; given when left out.")
            .required(
                    "key",
                    Shape.text(),
                    Field::key,
                    Sense.NAME,
                    "The name in code, addresses of the API and the database.")
            .required("label", Shape.text(), Field::label, Sense.WORDING, "What people read.")
            .required(
                    "kind",
                    Shape.text(),
                    field -> field.kind().code(),
                    Sense.PARTS,
                    "What type of value the field holds.")
            .optional("help", Shape.text(), Field::help, "", Sense.WORDING, "A sentence under the control.")
            .optional(
                    "required",
                    Shape.flag(),
                    Field::required,
                    false,
                    Sense.RULE,
                    "Whether a published record needs a value.")
            .build(v -> new Field(
                    v.get("id"),
                    v.get("key"),
                    v.get("label"),
                    v.get("help"),
                    v.<Boolean>get("required"),
                    Kind.Text.PLAIN));

    private FieldShape() {}

    @Override
    public Optional<Field> read(Node node, String name, Reading reading) {
        if (!(node instanceof Node.Mapping mapping)) {
            reading.add(Code.VALUE_WRONG_SHAPE, node, name, "a set of properties", node.described());
            return Optional.empty();
        }
        var entries = ObjectShape.entries(mapping, reading);
        var kind = Optional.ofNullable(entries.get("kind")).flatMap(entry -> kind(entry.value(), reading));
        var field = COMMON.read(mapping, entries, reading);
        if (kind.isEmpty()) {
            return Optional.empty();
        }
        var valid = new ArrayList<>(COMMON.names());
        valid.addAll(kind.get().names());
        ObjectShape.refuseUnknown(entries, valid, kind.get().title(), reading);
        Optional<? extends Kind> settings = kind.get().read(mapping, entries, reading);
        return field.flatMap(f -> settings.map(f::withKind));
    }

    private static Optional<ObjectShape<? extends Kind>> kind(Node node, Reading reading) {
        var word = node instanceof Node.Scalar scalar ? scalar.text() : "";
        var shape = Optional.<ObjectShape<? extends Kind>>ofNullable(KindShapes.BY_CODE.get(word));
        if (shape.isEmpty()) {
            var valid = KindShapes.BY_CODE.keySet();
            reading.add(Code.WORD_UNKNOWN, node, "kind", word, Nearest.hint(word, valid), String.join(", ", valid));
        }
        return shape;
    }

    @Override
    public Object write(Field field) {
        var tree = COMMON.write(field);
        tree.putAll(KindShapes.of(field.kind()).write(field.kind()));
        return tree;
    }

    @Override
    public Map<String, Object> schema() {
        List<Map<String, Object>> kinds = new ArrayList<>();
        KindShapes.BY_CODE.forEach((code, shape) -> {
            var schema = new LinkedHashMap<>(COMMON.schema());
            @SuppressWarnings("unchecked")
            var properties = new LinkedHashMap<>((Map<String, Object>) schema.get("properties"));
            properties.put("kind", Map.of("const", code));
            @SuppressWarnings("unchecked")
            var settings = (Map<String, Object>) shape.schema().get("properties");
            properties.putAll(settings);
            schema.put("properties", properties);
            schema.put("title", shape.title());
            kinds.add(schema);
        });
        return Map.of("oneOf", kinds);
    }
}
