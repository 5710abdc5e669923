package org.jontrel.core.page.node;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * What stands in the head of a record's page.
 *
 * @param title without the name of the site; never empty
 * @param description one line; empty for none
 * @param picture what is shown where the page is shared
 * @param linked data in the vocabulary of schema.org, as JSON would have it, with {@link PageAddress} where an address
 *     belongs; empty for none
 * @param hidden whether search engines are asked to leave the page out
 */
public record RecordHead(
        String title,
        String description,
        Optional<PageNode.PictureFacts> picture,
        Map<String, Object> linked,
        boolean hidden) {
    public RecordHead {
        title = ContainedText.of(title);
        description = ContainedText.of(description);
        linked = contained(linked);
    }

    private static Map<String, Object> contained(Map<?, ?> data) {
        var all = new LinkedHashMap<String, Object>();
        data.forEach((name, value) -> all.put(String.valueOf(name), contained(value)));
        return all;
    }

    private static Object contained(Object value) {
        return switch (value) {
            case String text -> ContainedText.of(text);
            case Map<?, ?> map -> contained(map);
            case List<?> list -> list.stream().map(RecordHead::contained).toList();
            case null, default -> value;
        };
    }
}
