package org.jontrel.core.page.node;

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
        boolean hidden) {}
