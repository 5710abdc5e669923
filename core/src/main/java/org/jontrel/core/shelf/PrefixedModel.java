package org.jontrel.core.shelf;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import org.jontrel.core.code.PackageReader;
import org.jontrel.core.code.PackageWriter;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Model;

/** A model whose keys and addresses have a word before them, so that they collide with no others. */
public final class PrefixedModel {
    private PrefixedModel() {}

    /** @param prefix a key; the model as it is where it is empty */
    public static Model of(Model model, String prefix) {
        return prefix.isEmpty()
                ? model
                : new Model(model.definitions().stream()
                        .map(each -> of(each, prefix))
                        .toList());
    }

    private static Definition of(Definition definition, String prefix) {
        var tree = new LinkedHashMap<>(PackageWriter.tree(definition));
        tree.put("key", prefix + "_" + definition.key());
        for (var address : new String[] {"path", "api_path"}) {
            tree.computeIfPresent(address, (_, path) -> prefix.replace('_', '-') + "-" + path);
        }
        // as long a key as it may become, the checker tells it
        return PackageReader.definition(Definition.class, definition.sort(), tree, new ArrayList<>())
                .orElseThrow();
    }
}
