package org.jontrel.core.format;

import java.util.List;
import org.jontrel.core.model.Block;
import org.jontrel.core.model.Condition;
import org.jontrel.core.model.Layout;
import org.jontrel.core.model.Listing;
import org.jontrel.core.shape.Composites;
import org.jontrel.core.shape.Mapper;
import org.jontrel.core.shape.ObjectShape;
import org.jontrel.core.shape.Recursive;
import org.jontrel.core.shape.Scalars;
import org.jontrel.core.shape.Sense;
import org.jontrel.core.shape.ThingShape;

/** Layouts and listings in files. */
final class LayoutShapes {
    private static final ThingShape<Block> WITHIN = new Recursive<>(() -> LayoutShapes.BLOCK);

    static final ObjectShape<Block> BLOCK = ObjectShape.<Block>of("block")
            .named("block")
            .id(Block::id)
            .labelled(LayoutShapes::label)
            .required(
                    "block",
                    Scalars.word(Block.BlockSort.class, Block.BlockSort::code),
                    Block::sort,
                    Sense.STRUCTURE,
                    "What it is: a stack or columns of blocks, a field, a listing or a text.")
            .optional("title", Scalars.TEXT, Block::title, "", Sense.WORDING, "A heading over it.")
            .optional(
                    "field",
                    Scalars.reference(Mapper.ReferenceTarget.FIELD),
                    Block::field,
                    "",
                    Sense.FORM,
                    "The field it shows.")
            .optional(
                    "listing",
                    Scalars.reference(Mapper.ReferenceTarget.LISTING),
                    Block::listing,
                    "",
                    Sense.FORM,
                    "The listing it shows.")
            .optional("text", Scalars.TEXT, Block::text, "", Sense.WORDING, "The text of a text block.")
            .optional(
                    "show_when",
                    ConditionShape.INSTANCE,
                    Block::showWhen,
                    Condition.ALWAYS,
                    Sense.BEHAVIOUR,
                    "The condition under which visitors see it.")
            .optional(
                    "blocks",
                    Composites.things(WITHIN),
                    Block::blocks,
                    List.of(),
                    Sense.PARTS,
                    "The blocks within it, in order.")
            .build(v -> new Block(
                    v.get("id"),
                    v.get("block"),
                    v.get("title"),
                    v.get("field"),
                    v.get("listing"),
                    v.get("text"),
                    v.get("show_when"),
                    v.get("blocks")));

    static final ObjectShape<Layout> LAYOUT = ObjectShape.<Layout>of("layout")
            .id(Layout::id)
            .key(Layout::key)
            .labelled(Layout::title)
            .required("title", Scalars.TEXT, Layout::title, Sense.WORDING, "The name under which architects find it.")
            .optional("description", Scalars.TEXT, Layout::description, "", Sense.WORDING, "What the layout is for.")
            .required(
                    "type",
                    Scalars.reference(Mapper.ReferenceTarget.TYPE),
                    Layout::type,
                    Sense.STRUCTURE,
                    "The content type whose records it shows.")
            .optional(
                    "blocks",
                    Composites.things(WITHIN),
                    Layout::blocks,
                    List.of(),
                    Sense.PARTS,
                    "The blocks of the page, in order.")
            .build(v -> new Layout(
                    v.get("id"), v.get("key"), v.get("title"), v.get("description"), v.get("type"), v.get("blocks")));

    private static final ObjectShape<Listing.Order> ORDER = ObjectShape.<Listing.Order>of("order")
            .named("order")
            .required(
                    "field",
                    Scalars.reference(Mapper.ReferenceTarget.FIELD),
                    Listing.Order::field,
                    Sense.FORM,
                    "The field to sort by.")
            .optional(
                    "descending",
                    Scalars.FLAG,
                    Listing.Order::descending,
                    false,
                    Sense.FORM,
                    "Whether the order is descending: Z to A, largest or latest first.")
            .build(v -> new Listing.Order(v.get("field"), v.<Boolean>get("descending")));

    static final ObjectShape<Listing> LISTING = ObjectShape.<Listing>of("listing")
            .id(Listing::id)
            .key(Listing::key)
            .labelled(Listing::title)
            .required("title", Scalars.TEXT, Listing::title, Sense.WORDING, "The name under which architects find it.")
            .optional("description", Scalars.TEXT, Listing::description, "", Sense.WORDING, "What the listing is for.")
            .required(
                    "type",
                    Scalars.reference(Mapper.ReferenceTarget.TYPE),
                    Listing::type,
                    Sense.STRUCTURE,
                    "The content type it lists.")
            .optional(
                    "where",
                    ConditionShape.INSTANCE,
                    Listing::where,
                    Condition.ALWAYS,
                    Sense.BEHAVIOUR,
                    "Which records it lists; all when left out.")
            .optional(
                    "order",
                    Composites.list(ORDER),
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
                    Composites.list(Scalars.reference(Mapper.ReferenceTarget.FIELD)),
                    Listing::fields,
                    List.of(),
                    Sense.FORM,
                    "The fields shown with each record.")
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
                    v.get("order"),
                    v.<Integer>get("limit"),
                    v.get("shown"),
                    v.get("fields"),
                    v.get("layout")));

    private LayoutShapes() {}

    private static String label(Block block) {
        return block.title().isEmpty() ? block.sort().code() : block.title();
    }
}
