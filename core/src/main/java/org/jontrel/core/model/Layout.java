package org.jontrel.core.model;

import java.util.List;

/**
 * How a record is shown on a page: a named tree of blocks.
 *
 * @param type id of the content type whose records it shows
 */
public record Layout(String id, String key, String title, String description, String type, List<Block> blocks)
        implements Definition {
    public Layout {
        blocks = List.copyOf(blocks);
    }

    @Override
    public String name() {
        return title;
    }
}
