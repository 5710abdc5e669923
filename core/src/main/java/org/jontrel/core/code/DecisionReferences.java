package org.jontrel.core.code;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jontrel.core.format.Things;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Model;

/**
 * What answers are about, in two ways: by its id, or in files written by hand by the keys that lead to it, such as {@code
 * mooring} or {@code mooring.contacts.phone}. Where two definitions of different sorts have one key, it is the one that
 * comes first among types, taxonomies, groups, lists and values.
 */
public final class DecisionReferences {
    private DecisionReferences() {}

    /** The answers with ids in the place of keys; what leads to nothing stays as it is. */
    public static List<Migration> toIds(List<Migration> migrations, Model model) {
        var ids = new LinkedHashMap<String, String>();
        paths(model).forEach((id, path) -> ids.putIfAbsent(path, id));
        return migrations.stream()
                .map(migration -> new Migration(
                        migration.version(),
                        migration.decisions().stream()
                                .map(each -> each.about(ids.getOrDefault(each.fieldId(), each.fieldId())))
                                .toList()))
                .toList();
    }

    /** The keys that lead to something; its id where they lead elsewhere, or the model has it not. */
    public static String toKeys(String id, Model model) {
        var path = paths(model).get(id);
        boolean leadsThere = path != null
                && toIds(List.of(migration(path)), model)
                        .getFirst()
                        .decisions()
                        .getFirst()
                        .fieldId()
                        .equals(id);
        return leadsThere ? path : id;
    }

    private static Migration migration(String element) {
        return new Migration("", List.of(new Decision(element, Decision.Topic.RECORDS, Decision.Action.LEAVE, "")));
    }

    /** The keys that lead to each definition and field, by its id. */
    private static Map<String, String> paths(Model model) {
        var paths = new LinkedHashMap<String, String>();
        for (var sort : Definition.Sort.values()) {
            model.definitions().stream().filter(each -> each.sort() == sort).forEach(each -> {
                paths.put(each.id(), each.key());
                within(each, each.key(), paths);
            });
        }
        return paths;
    }

    private static void within(Object thing, String path, Map<String, String> paths) {
        for (var property : Things.of(thing).properties()) {
            for (var item : Things.items(property, thing)) {
                var deeper = item instanceof Field field ? path + "." + field.key() : path;
                if (item instanceof Field field) {
                    paths.put(field.id(), deeper);
                }
                within(item, deeper, paths);
            }
        }
    }
}
