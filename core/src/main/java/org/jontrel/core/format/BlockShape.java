package org.jontrel.core.format;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.SequencedMap;
import org.jontrel.core.model.block.Block;
import org.jontrel.core.model.block.BlockKind;
import org.jontrel.core.model.condition.Condition;
import org.jontrel.core.shape.ByWord;
import org.jontrel.core.shape.ObjectShape;
import org.jontrel.core.shape.Scalars;
import org.jontrel.core.shape.Sense;
import org.jontrel.core.shape.ThingShape;

/** A block in a file: what all blocks have, then what its kind says beside it. */
public final class BlockShape {
    private static final String KIND = "block";

    public static final ThingShape<Block> INSTANCE =
            new ByWord<>(KIND, KIND, BlockShape::byKind, block -> block.kind().code(), (block, _) -> block);

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
}
