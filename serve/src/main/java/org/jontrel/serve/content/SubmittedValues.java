package org.jontrel.serve.content;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.site.Site;

/** Values as the API gives them, made into what forms send: what was read can be sent back. */
final class SubmittedValues {
    private final Site site;

    SubmittedValues(Site site) {
        this.site = site;
    }

    Object value(Field field, Object sent) {
        return switch (sent) {
            case null -> null;
            case List<?> list -> list.stream().map(each -> value(field, each)).toList();
            case Map<?, ?> map -> map(field, map);
            default -> sent;
        };
    }

    private Object map(Field field, Map<?, ?> map) {
        return switch (field.kind()) {
            case Kind.TermPick _, Kind.Image _, Kind.File _ -> map.get("id");
            case Kind.Relation _ -> link(map);
            case Kind.Nested _ -> inner(field, map);
            case Kind.Plain _, Kind.Note _ -> map;
        };
    }

    /** Types go by key here, and by id inside. */
    private Map<String, Object> link(Map<?, ?> map) {
        var link = new LinkedHashMap<String, Object>();
        var type = String.valueOf(map.get("type"));
        link.put(
                "type",
                site.installed()
                        .table(Definition.Sort.TYPE, type)
                        .map(table -> table.recordType().id())
                        .orElse(type));
        link.put("id", map.get("id"));
        return link;
    }

    private Map<String, Object> inner(Field field, Map<?, ?> map) {
        var values = new LinkedHashMap<String, Object>();
        map.forEach((key, value) -> values.put(
                String.valueOf(key),
                field.inner().stream()
                        .filter(each -> each.key().equals(key))
                        .findFirst()
                        .map(each -> value(each, value))
                        .orElse(value)));
        return values;
    }
}
