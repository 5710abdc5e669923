package org.jontrel.core.page;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jontrel.core.model.Field;
import org.jontrel.core.recordtype.RecordType;

/**
 * From where values are named while a page is made: a record, or a row or group within one.
 *
 * @param record {@code null} for the site itself
 * @param fields those that are beside the values
 * @param around where the row stands; {@code null} for the record itself
 */
record PagePlace(
        PageRecord record, RecordType recordType, Map<String, Object> values, List<Field> fields, PagePlace around) {
    static final PagePlace SITE = new PagePlace(null, null, Map.of(), List.of(), null);

    static PagePlace of(PageRecord record, RecordType recordType) {
        return new PagePlace(
                record, recordType, record.values(), recordType.fields().toList(), null);
    }

    PagePlace within(Map<String, Object> inner, List<Field> innerFields) {
        return new PagePlace(record, recordType, inner, innerFields, this);
    }

    /** The field that an id names here, with the place that holds its value. */
    Optional<HeldField> find(String id) {
        for (var place = this; place != null; place = place.around) {
            for (var field : place.fields) {
                if (field.id().equals(id)) {
                    return Optional.of(new HeldField(field, place.values.get(id), place));
                }
            }
        }
        return Optional.empty();
    }

    /** @param value {@code null} where it is empty */
    record HeldField(Field field, Object value, PagePlace place) {}
}
