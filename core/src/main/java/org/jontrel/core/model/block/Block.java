package org.jontrel.core.model.block;

import java.util.List;
import java.util.stream.Stream;
import org.jontrel.core.model.condition.Condition;

/**
 * A piece of a layout. One whose values are all empty is left out with its label and the texts around it, unless it has a
 * wording for that.
 *
 * @param label the heading or label over it; empty for the one that what it shows has by itself
 * @param labelled whether the label is shown
 * @param before text before what it shows
 * @param after text behind what it shows
 * @param empty what stands there where all is empty; empty for nothing at all
 */
public record Block(
        String id,
        BlockKind kind,
        String label,
        boolean labelled,
        String before,
        String after,
        String empty,
        Condition showWhen) {
    /** A block with everything else as it is by default. */
    public Block(String id, BlockKind kind) {
        this(id, kind, "", true, "", "", "", Condition.ALWAYS);
    }

    /** The blocks within it. */
    public List<Block> blocks() {
        return kind.blocks();
    }

    /** This block, then all within it. */
    public Stream<Block> withInner() {
        return Stream.concat(Stream.of(this), blocks().stream().flatMap(Block::withInner));
    }

    public Block withLabel(String newLabel) {
        return new Block(id, kind, newLabel, labelled, before, after, empty, showWhen);
    }

    public Block unlabelled() {
        return new Block(id, kind, label, false, before, after, empty, showWhen);
    }
}
