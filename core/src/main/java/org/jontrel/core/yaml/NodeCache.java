package org.jontrel.core.yaml;

import java.nio.ByteBuffer;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.shape.Node;

/**
 * Reads each text once: of packages that are compared or merged, most files are the same. For one command; not for several
 * threads.
 */
public final class NodeCache {
    private final Map<ByteBuffer, Node> nodes = new HashMap<>();

    /** As {@link YamlReader#read}. */
    public Optional<Node> read(String file, byte[] bytes, List<Finding> findings) {
        var known = nodes.get(ByteBuffer.wrap(bytes));
        if (known != null) {
            return Optional.of(known);
        }
        var found = new ArrayList<Finding>();
        var node = YamlReader.read(file, bytes, found);
        findings.addAll(found);
        if (found.isEmpty()) {
            node.ifPresent(each -> nodes.put(ByteBuffer.wrap(bytes), each));
        }
        return node;
    }
}
