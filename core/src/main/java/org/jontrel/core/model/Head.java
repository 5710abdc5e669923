package org.jontrel.core.model;

import java.util.List;
import org.jontrel.core.model.condition.Condition;

/**
 * What search engines, and people with whom a page is shared, are told of the pages of records.
 *
 * @param title a text with values; the title of the record where empty
 * @param description a text with values; the summary of the record where empty
 * @param picture the way to a picture; the lead image where empty
 * @param schema what the records are in the vocabulary of schema.org; empty for nothing
 * @param properties what of them belongs to that
 * @param hidden whether search engines are asked to leave all of them out
 * @param hiddenWhen which of them search engines are asked to leave out; none where it asks for nothing
 */
public record Head(
        String title,
        String description,
        String picture,
        String schema,
        List<HeadProperty> properties,
        boolean hidden,
        Condition hiddenWhen) {
    public static final Head PLAIN = new Head("", "", "", "", List.of(), false, Condition.ALWAYS);

    public Head {
        properties = List.copyOf(properties);
    }

    /**
     * A property of schema.org.
     *
     * @param name with dots where it is within another, as {@code address.addressLocality}
     * @param value a text with values; where it is one value alone, that value as it is
     */
    public record HeadProperty(String name, String value) {}
}
