package org.jontrel.core.format;

import java.util.List;
import org.jontrel.core.model.Head;
import org.jontrel.core.model.condition.Condition;
import org.jontrel.core.shape.Composites;
import org.jontrel.core.shape.Mapper;
import org.jontrel.core.shape.ObjectShape;
import org.jontrel.core.shape.Scalars;
import org.jontrel.core.shape.Sense;

/** What the heads of pages say, in files. */
final class HeadShapes {
    private HeadShapes() {}

    private static final ObjectShape<Head.HeadProperty> PROPERTY = ObjectShape.<Head.HeadProperty>of("head property")
            .named("head_property")
            .required(
                    "name",
                    Scalars.TEXT,
                    Head.HeadProperty::name,
                    Sense.FORM,
                    "The name in schema.org, with dots where it is within another, such as address.addressLocality.")
            .required(
                    "value",
                    Scalars.VALUE_TEXT,
                    Head.HeadProperty::value,
                    Sense.FORM,
                    "A text with values; one value alone is given as it is: a number, a day, a picture, a place, a record.")
            .build(v -> new Head.HeadProperty(v.get("name"), v.get("value")));

    static final ObjectShape<Head> HEAD = ObjectShape.<Head>of("head")
            .optional(
                    "title",
                    Scalars.VALUE_TEXT,
                    Head::title,
                    "",
                    Sense.WORDING,
                    "The title for search engines, with values; the title of the record when left out.")
            .optional(
                    "description",
                    Scalars.VALUE_TEXT,
                    Head::description,
                    "",
                    Sense.WORDING,
                    "The description for search engines, with values; the summary when left out.")
            .optional(
                    "picture",
                    Scalars.reference(Mapper.ReferenceTarget.VALUE),
                    Head::picture,
                    "",
                    Sense.FORM,
                    "The picture that is shown where a page is shared; the lead image when left out.")
            .optional(
                    "schema",
                    Scalars.TEXT,
                    Head::schema,
                    "",
                    Sense.FORM,
                    "What the records are in the vocabulary of schema.org, such as Place.")
            .optional(
                    "properties",
                    Composites.list(PROPERTY),
                    Head::properties,
                    List.of(),
                    Sense.FORM,
                    "What programs read of a record in the vocabulary of schema.org.")
            .optional(
                    "hidden",
                    Scalars.FLAG,
                    Head::hidden,
                    false,
                    Sense.FORM,
                    "Whether search engines are asked to leave the pages out.")
            .optional(
                    "hidden_when",
                    ConditionShape.INSTANCE,
                    Head::hiddenWhen,
                    Condition.ALWAYS,
                    Sense.FORM,
                    "Which pages search engines are asked to leave out, such as those where a field says so.")
            .build(v -> new Head(
                    v.get("title"),
                    v.get("description"),
                    v.get("picture"),
                    v.get("schema"),
                    v.get("properties"),
                    v.<Boolean>get("hidden"),
                    v.get("hidden_when")));
}
