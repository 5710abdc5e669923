package org.jontrel.core.format;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.SequencedMap;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Nearest;
import org.jontrel.core.model.block.Block;
import org.jontrel.core.model.block.BlockKind;
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

/** A block in a file: what all blocks have, then what its kind says beside it. */
public final class BlockShape implements ThingShape<Block> {
    public static final BlockShape INSTANCE = new BlockShape();
    private static final String KIND = "block";

    /** One shape for each kind, in the order people are offered them; made when first needed, since blocks hold blocks. */
    private static volatile SequencedMap<String, ObjectShape<Block>> byKind;

    private BlockShape() {}

    /** The shapes of blocks by the word for their kind. */
    public static SequencedMap<String, ObjectShape<Block>> byKind() {
        if (byKind == null) {
            var all = new LinkedHashMap<String, ObjectShape<Block>>();
            BlockShapes.byCode().forEach((code, shape) -> all.put(code, of(code, shape)));
            byKind = all;
        }
        return byKind;
    }

    @SuppressWarnings("unchecked") // a block of this shape has this kind
    private static <K extends BlockKind> ObjectShape<Block> of(String code, ObjectShape<K> kind) {
        return ObjectShape.<Block>of(kind.title())
                .id(Block::id)
                .labelled(block -> block.label().isEmpty() ? block.kind().code().replace('_', ' ') : block.label())
                .required(
                        KIND,
                        Scalars.word(new LinkedHashMap<>(Map.of(code, code)), word -> word),
                        block -> block.kind().code(),
                        Sense.PARTS,
                        "What the block shows, or how it arranges what it holds.")
                .all(kind.properties(), block -> (K) block.kind())
                .optional(
                        "label",
                        Scalars.TEXT,
                        Block::label,
                        "",
                        Sense.WORDING,
                        "The label or heading over it; when left out, that of what it shows.")
                .optional("labelled", Scalars.FLAG, Block::labelled, true, Sense.FORM, "Whether its label is shown.")
                .optional(
                        "before",
                        Scalars.VALUE_TEXT,
                        Block::before,
                        "",
                        Sense.WORDING,
                        "Text before it, with values in braces; left out with it where it is empty.")
                .optional(
                        "after",
                        Scalars.VALUE_TEXT,
                        Block::after,
                        "",
                        Sense.WORDING,
                        "Text behind it, with values in braces; left out with it where it is empty.")
                .optional(
                        "empty",
                        Scalars.TEXT,
                        Block::empty,
                        "",
                        Sense.WORDING,
                        "What visitors read where it is empty; when left out, nothing of the block is there then.")
                .optional(
                        "show_when",
                        ConditionShape.INSTANCE,
                        Block::showWhen,
                        Condition.ALWAYS,
                        Sense.BEHAVIOUR,
                        "The condition under which visitors see it.")
                .build(v -> new Block(
                        v.get("id"),
                        kind.make(v.byName()),
                        v.get("label"),
                        v.<Boolean>get("labelled"),
                        v.get("before"),
                        v.get("after"),
                        v.get("empty"),
                        v.get("show_when")));
    }

    @Override
    public String id(Block block) {
        return block.id();
    }

    @Override
    public String label(Block block) {
        return of(block).label(block);
    }

    @Override
    public boolean scoped(Block block) {
        return false;
    }

    @Override
    public ObjectShape<Block> of(Block block) {
        return byKind().get(block.kind().code());
    }

    @Override
    public Optional<Block> read(Node node, String name, ReadContext reading) {
        if (!(node instanceof Node.Mapping mapping)) {
            reading.add(Code.VALUE_WRONG_SHAPE, node, name, "a set of properties", node.described());
            return Optional.empty();
        }
        var entries = ObjectShape.entries(mapping, reading);
        var entry = entries.get(KIND);
        if (entry == null) {
            reading.add(Code.PROPERTY_MISSING, mapping, KIND, "block");
            return Optional.empty();
        }
        var word = entry.value() instanceof Node.Scalar scalar ? scalar.text() : "";
        var shape = byKind().get(word);
        if (shape == null) {
            var valid = byKind().keySet();
            reading.add(
                    Code.WORD_UNKNOWN, entry.value(), KIND, word, Nearest.hint(word, valid), String.join(", ", valid));
            return Optional.empty();
        }
        return shape.read(mapping, entries, reading);
    }

    @Override
    public Object write(Block block, WriteContext to) {
        return of(block).write(block, to);
    }

    @Override
    public Block map(Block block, Mapper mapper) {
        return of(block).map(block, mapper);
    }

    @Override
    public Map<String, Object> schema(Schemas schemas) {
        return schemas.reference(KIND, () -> {
            var kinds = new LinkedHashMap<String, Map<String, Object>>();
            byKind().forEach((code, shape) -> {
                var schema = new LinkedHashMap<>(shape.schemaOfProperties(schemas));
                @SuppressWarnings("unchecked")
                var properties = new LinkedHashMap<>((Map<String, Object>) schema.get("properties"));
                properties.put(KIND, Map.of("const", code));
                schema.put("properties", properties);
                kinds.put(code, schema);
            });
            return schemas.byWord(KIND, kinds);
        });
    }
}
