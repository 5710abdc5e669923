package org.jontrel.core.format;

import java.util.List;
import org.jontrel.core.model.block.Arrangement;
import org.jontrel.core.model.block.Block;
import org.jontrel.core.model.block.BlockKind;
import org.jontrel.core.model.block.RecordsForm;
import org.jontrel.core.shape.Composites;
import org.jontrel.core.shape.Mapper;
import org.jontrel.core.shape.ObjectShape;
import org.jontrel.core.shape.Scalars;
import org.jontrel.core.shape.Sense;
import org.jontrel.core.shape.Shape;
import org.jontrel.core.shape.Slot;

/** What blocks say in files that show several things: rows, records, terms. */
final class ListBlockShapes {
    private static final Shape<String> VALUE = Scalars.reference(Mapper.ReferenceTarget.VALUE);
    private static final Slot<List<Block>> WITHIN = Composites.things(BlockShape.INSTANCE);
    private static final Shape<Arrangement> ARRANGEMENT = Scalars.word(Arrangement.class, Arrangement::code);

    static final ObjectShape<BlockKind.Rows> ROWS = ObjectShape.<BlockKind.Rows>of("rows block")
            .required("field", VALUE, BlockKind.Rows::field, Sense.FORM, "The repeater whose rows it shows.")
            .optional(
                    "as",
                    ARRANGEMENT,
                    BlockKind.Rows::as,
                    Arrangement.TABLE,
                    Sense.FORM,
                    "How the rows are set on the page; as blocks, by the blocks within.")
            .optional(
                    "columns",
                    Scalars.inner(Composites.list(VALUE)),
                    BlockKind.Rows::columns,
                    List.of(),
                    Sense.FORM,
                    "The values of each row, in order; all fields when left out.")
            .optional(
                    "blocks",
                    WITHIN,
                    BlockKind.Rows::blocks,
                    List.of(),
                    Sense.PARTS,
                    "The blocks that stand for each row, in order.")
            .build(v -> new BlockKind.Rows(v.get("field"), v.get("as"), v.get("columns"), v.get("blocks")));

    static final ObjectShape<RecordsForm.Order> ORDER = ObjectShape.<RecordsForm.Order>of("order")
            .named("order")
            .required(
                    "field",
                    Scalars.reference(Mapper.ReferenceTarget.FIELD),
                    RecordsForm.Order::field,
                    Sense.FORM,
                    "The field to sort by.")
            .optional(
                    "descending",
                    Scalars.FLAG,
                    RecordsForm.Order::descending,
                    false,
                    Sense.FORM,
                    "Whether the order is descending: Z to A, largest or latest first.")
            .build(v -> new RecordsForm.Order(v.get("field"), v.<Boolean>get("descending")));

    private static final ObjectShape<RecordsForm> RECORDS = ObjectShape.<RecordsForm>of("list of records")
            .optional(
                    "as",
                    ARRANGEMENT,
                    RecordsForm::as,
                    Arrangement.NAMES,
                    Sense.FORM,
                    "How the records are set on the page; as blocks, by the blocks within.")
            .optional(
                    "columns",
                    Scalars.inner(Composites.list(VALUE)),
                    RecordsForm::columns,
                    List.of(),
                    Sense.FORM,
                    "The values of each record in a table, in order; the title when left out.")
            .optional(
                    "order",
                    Scalars.inner(Composites.list(ORDER)),
                    RecordsForm::order,
                    List.of(),
                    Sense.FORM,
                    "The sort keys, most important first; the order of the links when left out.")
            .optional(
                    "limit",
                    Scalars.WHOLE_NUMBER,
                    RecordsForm::limit,
                    RecordsForm.MOST,
                    Sense.FORM,
                    "The most records that are shown, up to 200.")
            .build(v -> new RecordsForm(v.get("as"), v.get("columns"), v.get("order"), v.<Integer>get("limit")));

    static final ObjectShape<BlockKind.Related> RELATED = ObjectShape.<BlockKind.Related>of("related block")
            .required(
                    "field",
                    VALUE,
                    BlockKind.Related::field,
                    Sense.FORM,
                    "The relation whose records it shows, or the inverse of one.")
            .all(RECORDS.properties(), BlockKind.Related::form)
            .optional(
                    "blocks",
                    WITHIN,
                    BlockKind.Related::blocks,
                    List.of(),
                    Sense.PARTS,
                    "The blocks that stand for each record, in order.")
            .build(v -> new BlockKind.Related(v.get("field"), RECORDS.make(v.byName()), v.get("blocks")));

    static final ObjectShape<BlockKind.Children> CHILDREN = ObjectShape.<BlockKind.Children>of("children block")
            .all(RECORDS.properties(), BlockKind.Children::form)
            .optional(
                    "blocks",
                    WITHIN,
                    BlockKind.Children::blocks,
                    List.of(),
                    Sense.PARTS,
                    "The blocks that stand for each record, in order.")
            .build(v -> new BlockKind.Children(RECORDS.make(v.byName()), v.get("blocks")));

    static final ObjectShape<BlockKind.TermLabels> TERMS = ObjectShape.<BlockKind.TermLabels>of("terms block")
            .optional(
                    "taxonomy",
                    Scalars.reference(Mapper.ReferenceTarget.TAXONOMY),
                    BlockKind.TermLabels::taxonomy,
                    "",
                    Sense.FORM,
                    "The taxonomy whose terms it shows; all of the type when left out.")
            .optional(
                    "colour",
                    Scalars.inner(Scalars.reference(Mapper.ReferenceTarget.FIELD)),
                    BlockKind.TermLabels::colour,
                    "",
                    Sense.FORM,
                    "The field of the term that holds its colour; the first colour when left out.")
            .optional(
                    "linked",
                    Scalars.FLAG,
                    BlockKind.TermLabels::linked,
                    true,
                    Sense.FORM,
                    "Whether terms lead to their pages.")
            .build(v -> new BlockKind.TermLabels(v.get("taxonomy"), v.get("colour"), v.<Boolean>get("linked")));

    static final ObjectShape<BlockKind.ListingUse> LISTING = ObjectShape.<BlockKind.ListingUse>of("listing block")
            .required(
                    "listing",
                    Scalars.reference(Mapper.ReferenceTarget.LISTING),
                    BlockKind.ListingUse::listing,
                    Sense.FORM,
                    "The listing it shows.")
            .build(v -> new BlockKind.ListingUse(v.get("listing")));

    private ListBlockShapes() {}
}
