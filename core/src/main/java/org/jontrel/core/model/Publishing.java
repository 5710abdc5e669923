package org.jontrel.core.model;

import org.jontrel.core.model.condition.RecordState;

/**
 * Who gets to see the records of a type.
 *
 * @param visible whether records have public pages
 * @param searchable whether the site's search finds them
 * @param navigation whether the type stands in the site's navigation
 * @param place where it stands there, counted from 1; null for those that come after, by their plural
 * @param api whether the content API gives them
 * @param apiPath the type's address in the API; its path where empty
 * @param state the state of a new record
 */
public record Publishing(
        boolean visible,
        boolean searchable,
        boolean navigation,
        Integer place,
        boolean api,
        String apiPath,
        RecordState state) {
    public static final Publishing PLAIN = new Publishing(true, true, true, null, true, "", RecordState.DRAFT);
}
