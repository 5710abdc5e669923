package org.jontrel.server.layout;

import java.util.List;
import org.jontrel.core.format.BlockShape;
import org.jontrel.core.model.block.Block;
import org.jontrel.core.naming.Ids;
import org.jontrel.core.shape.Mapper;

/** Blocks of a derived layout with ids of their own, so that they can be kept. */
final class OwnBlocks {
    private OwnBlocks() {}

    static List<Block> of(List<Block> blocks, Ids ids) {
        var fresh = new Mapper() {
            @Override
            public String id(String id) {
                return ids.next('b');
            }
        };
        return blocks.stream()
                .map(block -> BlockShape.INSTANCE.map(block, fresh))
                .toList();
    }
}
