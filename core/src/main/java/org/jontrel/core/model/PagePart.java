package org.jontrel.core.model;

import java.util.List;
import org.jontrel.core.model.block.Block;

/**
 * Blocks kept under a name and used in many layouts.
 *
 * @param type id of the content type or taxonomy whose values they show; empty where they show none but the site's
 */
public record PagePart(String id, String key, String title, String description, String type, List<Block> blocks)
        implements Definition {
    public PagePart {
        blocks = List.copyOf(blocks);
    }

    @Override
    public String name() {
        return title;
    }
}
