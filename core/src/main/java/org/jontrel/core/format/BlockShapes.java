package org.jontrel.core.format;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.SequencedMap;
import org.jontrel.core.model.block.Block;
import org.jontrel.core.model.block.BlockKind;
import org.jontrel.core.model.block.ColumnWidths;
import org.jontrel.core.model.block.PictureShape;
import org.jontrel.core.model.block.PictureSize;
import org.jontrel.core.model.block.Presentation;
import org.jontrel.core.model.block.TextRole;
import org.jontrel.core.shape.Composites;
import org.jontrel.core.shape.Mapper;
import org.jontrel.core.shape.ObjectShape;
import org.jontrel.core.shape.Scalars;
import org.jontrel.core.shape.Sense;
import org.jontrel.core.shape.Shape;
import org.jontrel.core.shape.Slot;

/** What each kind of block says in files. */
final class BlockShapes {
    private static final Shape<String> VALUE = Scalars.reference(Mapper.ReferenceTarget.VALUE);
    private static final Slot<List<Block>> WITHIN = Composites.things(BlockShape.INSTANCE);

    private static final ObjectShape<BlockKind.FieldValue> FIELD = ObjectShape.<BlockKind.FieldValue>of("field block")
            .required(
                    "field",
                    VALUE,
                    BlockKind.FieldValue::field,
                    Sense.FORM,
                    "The value it shows: a field, or the way to one with dots between, such as keeper.phone, parent.title or site.opening.hours.")
            .optional(
                    "as",
                    Scalars.word(Presentation.class, Presentation::code),
                    BlockKind.FieldValue::as,
                    Presentation.USUAL,
                    Sense.FORM,
                    "How the value is displayed.")
            .optional(
                    "size",
                    Scalars.word(PictureSize.class, PictureSize::code),
                    BlockKind.FieldValue::size,
                    PictureSize.MEDIUM,
                    Sense.FORM,
                    "How wide pictures are.")
            .optional(
                    "shape",
                    Scalars.word(PictureShape.class, PictureShape::code),
                    BlockKind.FieldValue::shape,
                    PictureShape.ORIGINAL,
                    Sense.FORM,
                    "The shape that pictures are cut to, around the point that matters in them.")
            .optional(
                    "wording",
                    Scalars.TEXT,
                    BlockKind.FieldValue::wording,
                    "",
                    Sense.WORDING,
                    "The words of a link or button; when left out, the value itself.")
            .optional(
                    "linked",
                    Scalars.FLAG,
                    BlockKind.FieldValue::linked,
                    true,
                    Sense.FORM,
                    "Whether records and terms lead to their pages.")
            .build(v -> new BlockKind.FieldValue(
                    v.get("field"),
                    v.get("as"),
                    v.get("size"),
                    v.get("shape"),
                    v.get("wording"),
                    v.<Boolean>get("linked")));

    private static final ObjectShape<BlockKind.Prose> TEXT = ObjectShape.<BlockKind.Prose>of("text block")
            .required(
                    "text",
                    Scalars.VALUE_TEXT,
                    BlockKind.Prose::text,
                    Sense.WORDING,
                    "What it says, with values in braces: Built in {built} by {builder else \"an unknown hand\"}.")
            .optional(
                    "as",
                    Scalars.word(TextRole.class, TextRole::code),
                    BlockKind.Prose::as,
                    TextRole.PLAIN,
                    Sense.FORM,
                    "What the text is on the page.")
            .build(v -> new BlockKind.Prose(v.get("text"), v.get("as")));

    private static final ObjectShape<BlockKind.Stack> STACK = ObjectShape.<BlockKind.Stack>of("stack block")
            .optional("blocks", WITHIN, BlockKind.Stack::blocks, List.of(), Sense.PARTS, within())
            .build(v -> new BlockKind.Stack(v.get("blocks")));

    private static final ObjectShape<BlockKind.Columns> COLUMNS = ObjectShape.<BlockKind.Columns>of("columns block")
            .optional(
                    "widths",
                    Scalars.word(ColumnWidths.class, ColumnWidths::code),
                    BlockKind.Columns::widths,
                    ColumnWidths.EQUAL,
                    Sense.FORM,
                    "How wide the columns are beside one another.")
            .optional("blocks", WITHIN, BlockKind.Columns::blocks, List.of(), Sense.PARTS, within())
            .build(v -> new BlockKind.Columns(v.get("widths"), v.get("blocks")));

    private static final ObjectShape<BlockKind.Anchored> SECTION = ObjectShape.<BlockKind.Anchored>of("section block")
            .optional(
                    "anchor",
                    Scalars.TEXT,
                    BlockKind.Anchored::anchor,
                    "",
                    Sense.FORM,
                    "The name behind the hash in the address, so that links can lead to it.")
            .optional("blocks", WITHIN, BlockKind.Anchored::blocks, List.of(), Sense.PARTS, within())
            .build(v -> new BlockKind.Anchored(v.get("anchor"), v.get("blocks")));

    private static final ObjectShape<BlockKind.Fold> FOLD = ObjectShape.<BlockKind.Fold>of("fold block")
            .optional(
                    "open",
                    Scalars.FLAG,
                    BlockKind.Fold::open,
                    false,
                    Sense.FORM,
                    "Whether it is open at first; visitors open and close it by its label.")
            .optional("blocks", WITHIN, BlockKind.Fold::blocks, List.of(), Sense.PARTS, within())
            .build(v -> new BlockKind.Fold(v.<Boolean>get("open"), v.get("blocks")));

    private static final ObjectShape<BlockKind.PartUse> PART = ObjectShape.<BlockKind.PartUse>of("part block")
            .required(
                    "part",
                    Scalars.reference(Mapper.ReferenceTarget.PART),
                    BlockKind.PartUse::part,
                    Sense.FORM,
                    "The page part that stands here.")
            .build(v -> new BlockKind.PartUse(v.get("part")));

    private static final ObjectShape<BlockKind.Breadcrumbs> TRAIL =
            ObjectShape.<BlockKind.Breadcrumbs>of("trail block").build(_ -> new BlockKind.Breadcrumbs());
    private static final ObjectShape<BlockKind.Neighbours> NEIGHBOURS =
            ObjectShape.<BlockKind.Neighbours>of("neighbours block").build(_ -> new BlockKind.Neighbours());
    private static final ObjectShape<BlockKind.IndexLink> INDEX_LINK =
            ObjectShape.<BlockKind.IndexLink>of("index link block").build(_ -> new BlockKind.IndexLink());
    private static final ObjectShape<BlockKind.Rest> REST =
            ObjectShape.<BlockKind.Rest>of("block of everything else").build(_ -> new BlockKind.Rest());

    private BlockShapes() {}

    private static String within() {
        return "The blocks within it, in order.";
    }

    /** Every kind with its word, in the order people are offered them. */
    static SequencedMap<String, ObjectShape<? extends BlockKind>> byCode() {
        var all = new LinkedHashMap<String, ObjectShape<? extends BlockKind>>();
        all.put("field", FIELD);
        all.put("text", TEXT);
        all.put("rows", ListBlockShapes.ROWS);
        all.put("related", ListBlockShapes.RELATED);
        all.put("terms", ListBlockShapes.TERMS);
        all.put("listing", ListBlockShapes.LISTING);
        all.put("children", ListBlockShapes.CHILDREN);
        all.put("trail", TRAIL);
        all.put("neighbours", NEIGHBOURS);
        all.put("index_link", INDEX_LINK);
        all.put("columns", COLUMNS);
        all.put("stack", STACK);
        all.put("section", SECTION);
        all.put("fold", FOLD);
        all.put("part", PART);
        all.put("everything_else", REST);
        return all;
    }
}
