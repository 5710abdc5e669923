package org.jontrel.core.format;

import java.util.List;
import java.util.Map;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Head;
import org.jontrel.core.model.Index;
import org.jontrel.core.model.Nesting;
import org.jontrel.core.model.Part;
import org.jontrel.core.model.Publishing;
import org.jontrel.core.model.condition.RecordState;
import org.jontrel.core.shape.Composites;
import org.jontrel.core.shape.Mapper;
import org.jontrel.core.shape.ObjectShape;
import org.jontrel.core.shape.Property;
import org.jontrel.core.shape.Scalars;
import org.jontrel.core.shape.Sense;

/** Content types in files. */
final class TypeShape {
    private static final int MOST_PLACES = 10_000;

    private static final List<Property<Publishing, ?>> PUBLISHING = ObjectShape.<Publishing>of("")
            .optional(
                    "public",
                    Scalars.FLAG,
                    Publishing::visible,
                    true,
                    Sense.PERMISSION,
                    "Whether records have public pages.")
            .optional(
                    "searchable",
                    Scalars.FLAG,
                    Publishing::searchable,
                    true,
                    Sense.BEHAVIOUR,
                    "Whether the site's search finds them.")
            .optional(
                    "navigation",
                    Scalars.FLAG,
                    Publishing::navigation,
                    true,
                    Sense.FORM,
                    "Whether the type appears in the site's navigation.")
            .optional(
                    "navigation_place",
                    Scalars.whole(1, MOST_PLACES),
                    Publishing::place,
                    null,
                    Sense.FORM,
                    "Its position in the navigation, counted from 1; types without one follow, in the order of their plurals.")
            .optional(
                    "api",
                    Scalars.FLAG,
                    Publishing::api,
                    true,
                    Sense.PERMISSION,
                    "Whether the content API returns its records.")
            .optional(
                    "api_path",
                    Scalars.TEXT,
                    Publishing::apiPath,
                    "",
                    Sense.API_ADDRESS,
                    "Its address in the API; its path when left out.")
            .optional(
                    "new_records",
                    Scalars.word(RecordState.class, RecordState::code),
                    Publishing::state,
                    RecordState.DRAFT,
                    Sense.BEHAVIOUR,
                    "The state of a new record.")
            .build(_ -> Publishing.PLAIN)
            .properties();

    /** Standard parts stand as words; nothing is said of each. */
    static final ObjectShape<Part> PART = ObjectShape.<Part>of("standard part")
            .identity(Part::code, true)
            .labelled(Part::label)
            .build(v -> v.get("part"));

    static final ObjectShape<ContentType> TYPE = ObjectShape.<ContentType>of("content type")
            .id(ContentType::id)
            .key(ContentType::key)
            .labelled(ContentType::singular)
            .required("singular", Scalars.TEXT, ContentType::singular, Sense.WORDING, "The noun for one record.")
            .required("plural", Scalars.TEXT, ContentType::plural, Sense.WORDING, "The noun for several records.")
            .optional(
                    "description",
                    Scalars.TEXT,
                    ContentType::description,
                    "",
                    Sense.WORDING,
                    "What records of this type are.")
            .optional(
                    "icon",
                    Scalars.TEXT,
                    ContentType::icon,
                    "",
                    Sense.FORM,
                    "The icon that stands beside the type in menus and lists.")
            .required("path", Scalars.TEXT, ContentType::path, Sense.ADDRESS, "The public address segment.")
            .optional(
                    "wordings",
                    Composites.texts(Scalars.TEXT),
                    ContentType::wordings,
                    Map.of(),
                    Sense.WORDING,
                    "Texts that replace those derived from the noun.")
            .optional(
                    "parts",
                    Composites.words(Scalars.word(Part.class, Part::code), PART),
                    ContentType::parts,
                    List.of(Part.TITLE),
                    Sense.PARTS,
                    "The standard parts its records have.")
            .optional(
                    "part_labels",
                    Composites.texts(Scalars.TEXT),
                    ContentType::partLabels,
                    Map.of(),
                    Sense.WORDING,
                    "Labels that replace those of the standard parts, and of parent.")
            .optional(
                    "nested",
                    TypePartShapes.NESTING,
                    ContentType::nesting,
                    Nesting.NONE,
                    Sense.STRUCTURE,
                    "Which records can be a parent of its records.")
            .optional(
                    "index",
                    TypePartShapes.INDEX,
                    ContentType::index,
                    Index.PLAIN,
                    Sense.FORM,
                    "The page that lists its records.")
            .optional(
                    "head",
                    HeadShapes.HEAD,
                    ContentType::head,
                    Head.PLAIN,
                    Sense.FORM,
                    "What search engines, and people with whom a page is shared, are told of its records.")
            .all(PUBLISHING, ContentType::publishing)
            .optional(
                    "columns",
                    Composites.list(Scalars.reference(Mapper.ReferenceTarget.FIELD)),
                    ContentType::columns,
                    List.of(),
                    Sense.FORM,
                    "The fields that lists of records show; the first few when left out.")
            .optional(
                    "groups",
                    Composites.things(SectionShape.INSTANCE),
                    ContentType::sections,
                    List.of(),
                    Sense.PARTS,
                    "Its groups of fields, in order.")
            .optional(
                    "taxonomies",
                    Composites.things(TypePartShapes.USE),
                    ContentType::taxonomies,
                    List.of(),
                    Sense.PARTS,
                    "The taxonomies that classify its records.")
            .build(v -> new ContentType(
                    v.get("id"),
                    v.get("key"),
                    v.get("singular"),
                    v.get("plural"),
                    v.get("description"),
                    v.get("icon"),
                    v.get("path"),
                    v.get("wordings"),
                    v.get("parts"),
                    v.get("part_labels"),
                    v.get("groups"),
                    v.get("taxonomies"),
                    v.get("index"),
                    v.get("nested"),
                    new Publishing(
                            v.<Boolean>get("public"),
                            v.<Boolean>get("searchable"),
                            v.<Boolean>get("navigation"),
                            v.get("navigation_place"),
                            v.<Boolean>get("api"),
                            v.get("api_path"),
                            v.get("new_records")),
                    v.get("columns"),
                    v.get("head")));

    private TypeShape() {}
}
