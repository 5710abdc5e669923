package org.jontrel.core.model;

import java.util.List;
import java.util.Locale;

/**
 * A piece of a layout.
 *
 * @param title a heading over it, or empty
 * @param field id of the field it shows; only for {@link BlockSort#FIELD}
 * @param listing id of the listing it shows; only for {@link BlockSort#LISTING}
 * @param text what it says; only for {@link BlockSort#TEXT}
 * @param blocks what it holds; only for {@link BlockSort#STACK} and {@link BlockSort#COLUMNS}
 */
public record Block(
        String id,
        BlockSort sort,
        String title,
        String field,
        String listing,
        String text,
        Condition showWhen,
        List<Block> blocks) {
    public Block {
        blocks = List.copyOf(blocks);
    }

    /** What a block is. */
    public enum BlockSort {
        STACK,
        COLUMNS,
        FIELD,
        LISTING,
        TEXT;

        public String code() {
            return name().toLowerCase(Locale.ROOT);
        }

        public boolean holdsBlocks() {
            return this == STACK || this == COLUMNS;
        }
    }
}
