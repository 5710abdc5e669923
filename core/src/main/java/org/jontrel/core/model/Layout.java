package org.jontrel.core.model;

import java.util.List;
import java.util.Locale;
import org.jontrel.core.model.block.Block;
import org.jontrel.core.model.condition.Condition;

/**
 * How a record is shown: a tree of blocks. Of several for one use the most particular one that fits is taken.
 *
 * @param type id of the content type or taxonomy whose records it shows; empty for the home page of the site
 * @param where which of them it is for
 */
public record Layout(
        String id,
        String key,
        String title,
        String description,
        String type,
        LayoutUse use,
        Condition where,
        List<Block> blocks)
        implements Definition {
    public Layout {
        blocks = List.copyOf(blocks);
    }

    @Override
    public String name() {
        return title;
    }

    /** What a layout is for. */
    public enum LayoutUse {
        PAGE,
        /** How a record looks in lists, with a picture. */
        CARD,
        /** How a record looks as a line of a list. */
        ROW;

        public String code() {
            return name().toLowerCase(Locale.ROOT);
        }
    }
}
