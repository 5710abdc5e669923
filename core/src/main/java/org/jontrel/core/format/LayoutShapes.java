package org.jontrel.core.format;

import java.util.List;
import org.jontrel.core.model.Layout;
import org.jontrel.core.model.Listing;
import org.jontrel.core.model.PagePart;
import org.jontrel.core.model.block.Block;
import org.jontrel.core.model.condition.Condition;
import org.jontrel.core.shape.Composites;
import org.jontrel.core.shape.Mapper;
import org.jontrel.core.shape.ObjectShape;
import org.jontrel.core.shape.Scalars;
import org.jontrel.core.shape.Sense;
import org.jontrel.core.shape.Slot;

/** Layouts, listings and page parts in files. */
final class LayoutShapes {
    private static final Slot<List<Block>> BLOCKS = Composites.things(BlockShape.INSTANCE);

    static final ObjectShape<Layout> LAYOUT = ObjectShape.<Layout>of("layout")
            .id(Layout::id)
            .key(Layout::key)
            .labelled(Layout::title)
            .required("title", Scalars.TEXT, Layout::title, Sense.WORDING, "The name under which architects find it.")
            .optional("description", Scalars.TEXT, Layout::description, "", Sense.WORDING, "What the layout is for.")
            .optional(
                    "type",
                    Scalars.reference(Mapper.ReferenceTarget.RECORDS),
                    Layout::type,
                    "",
                    Sense.STRUCTURE,
                    "The content type or taxonomy whose records it shows; when left out, it is the home page of the site.")
            .optional(
                    "use",
                    Scalars.word(Layout.LayoutUse.class, Layout.LayoutUse::code),
                    Layout::use,
                    Layout.LayoutUse.PAGE,
                    Sense.STRUCTURE,
                    "Whether it is for pages, for cards in lists, or for the lines of lists.")
            .optional(
                    "where",
                    ConditionShape.INSTANCE,
                    Layout::where,
                    Condition.ALWAYS,
                    Sense.BEHAVIOUR,
                    "Which records it is for; of several layouts that fit, the most particular one is taken.")
            .optional("blocks", BLOCKS, Layout::blocks, List.of(), Sense.PARTS, "The blocks of the page, in order.")
            .build(v -> new Layout(
                    v.get("id"),
                    v.get("key"),
                    v.get("title"),
                    v.get("description"),
                    v.get("type"),
                    v.get("use"),
                    v.get("where"),
                    v.get("blocks")));

    static final ObjectShape<PagePart> PART = ObjectShape.<PagePart>of("page part")
            .id(PagePart::id)
            .key(PagePart::key)
            .labelled(PagePart::title)
            .required("title", Scalars.TEXT, PagePart::title, Sense.WORDING, "The name under which architects find it.")
            .optional("description", Scalars.TEXT, PagePart::description, "", Sense.WORDING, "What the part is for.")
            .optional(
                    "type",
                    Scalars.reference(Mapper.ReferenceTarget.RECORDS),
                    PagePart::type,
                    "",
                    Sense.STRUCTURE,
                    "The content type or taxonomy whose values it shows; when left out, it shows values of the site only.")
            .optional("blocks", BLOCKS, PagePart::blocks, List.of(), Sense.PARTS, "The blocks of the part, in order.")
            .build(v -> new PagePart(
                    v.get("id"), v.get("key"), v.get("title"), v.get("description"), v.get("type"), v.get("blocks")));

    static final ObjectShape<Listing> LISTING = ObjectShape.<Listing>of("listing")
            .id(Listing::id)
            .key(Listing::key)
            .labelled(Listing::title)
            .required("title", Scalars.TEXT, Listing::title, Sense.WORDING, "The name under which architects find it.")
            .optional("description", Scalars.TEXT, Listing::description, "", Sense.WORDING, "What the listing is for.")
            .required(
                    "type",
                    Scalars.reference(Mapper.ReferenceTarget.RECORDS),
                    Listing::type,
                    Sense.STRUCTURE,
                    "The content type or taxonomy whose records it lists.")
            .optional(
                    "where",
                    ConditionShape.INSTANCE,
                    Listing::where,
                    Condition.ALWAYS,
                    Sense.BEHAVIOUR,
                    "Which records it lists; all when left out.")
            .optional(
                    "about",
                    Scalars.reference(Mapper.ReferenceTarget.FIELD_OR_TAXONOMY),
                    Listing::about,
                    "",
                    Sense.BEHAVIOUR,
                    "A taxonomy or relation of the type: only records that share a term of it with the record being shown, or lead to that record by it.")
            .optional(
                    "order",
                    Composites.list(ListBlockShapes.ORDER),
                    Listing::order,
                    List.of(),
                    Sense.FORM,
                    "The sort keys, most important first.")
            .optional(
                    "limit",
                    Scalars.WHOLE_NUMBER,
                    Listing::limit,
                    10,
                    Sense.FORM,
                    "The most records that are shown, up to 200.")
            .optional(
                    "shown",
                    Scalars.word(Listing.ResultStyle.class, Listing.ResultStyle::code),
                    Listing::shown,
                    Listing.ResultStyle.LINES,
                    Sense.FORM,
                    "How it is displayed: as lines, a table, cards, or each record by a layout.")
            .optional(
                    "fields",
                    Composites.list(Scalars.reference(Mapper.ReferenceTarget.VALUE)),
                    Listing::fields,
                    List.of(),
                    Sense.FORM,
                    "The values shown with each record of a table: fields, or ways to them.")
            .optional(
                    "layout",
                    Scalars.reference(Mapper.ReferenceTarget.LAYOUT),
                    Listing::layout,
                    "",
                    Sense.FORM,
                    "The layout by which each record is shown.")
            .build(v -> new Listing(
                    v.get("id"),
                    v.get("key"),
                    v.get("title"),
                    v.get("description"),
                    v.get("type"),
                    v.get("where"),
                    v.get("about"),
                    v.get("order"),
                    v.<Integer>get("limit"),
                    v.get("shown"),
                    v.get("fields"),
                    v.get("layout")));

    private LayoutShapes() {}
}
