package org.jontrel.core.format;

import java.util.List;
import org.jontrel.core.model.Index;
import org.jontrel.core.model.Nesting;
import org.jontrel.core.model.TaxonomyUse;
import org.jontrel.core.shape.Composites;
import org.jontrel.core.shape.Mapper;
import org.jontrel.core.shape.ObjectShape;
import org.jontrel.core.shape.Scalars;
import org.jontrel.core.shape.Sense;

/** Parts of a content type: its index, what it stands under, and the taxonomies it uses. */
final class TypePartShapes {
    private TypePartShapes() {}

    private static final ObjectShape<Index.Across> ACROSS = ObjectShape.<Index.Across>of("across")
            .optional(
                    "narrow",
                    Scalars.WHOLE_NUMBER,
                    Index.Across::narrow,
                    0,
                    Sense.FORM,
                    "On screens as narrow as a telephone's; as many as fit when left out.")
            .optional(
                    "medium",
                    Scalars.WHOLE_NUMBER,
                    Index.Across::medium,
                    0,
                    Sense.FORM,
                    "On screens as wide as a tablet's; as many as fit when left out.")
            .optional(
                    "wide",
                    Scalars.WHOLE_NUMBER,
                    Index.Across::wide,
                    0,
                    Sense.FORM,
                    "On wide screens; as many as fit when left out.")
            .build(v -> new Index.Across(v.<Integer>get("narrow"), v.<Integer>get("medium"), v.<Integer>get("wide")));

    static final ObjectShape<Index> INDEX = ObjectShape.<Index>of("index")
            .optional(
                    "on",
                    Scalars.FLAG,
                    Index::on,
                    true,
                    Sense.PERMISSION,
                    "Whether there is a page that lists the records.")
            .optional(
                    "order",
                    Scalars.reference(Mapper.ReferenceTarget.FIELD),
                    Index::order,
                    Index.PLAIN.order(),
                    Sense.FORM,
                    "The field or standard part they are sorted by.")
            .optional(
                    "descending",
                    Scalars.FLAG,
                    Index::descending,
                    false,
                    Sense.FORM,
                    "Whether the order is descending: Z to A, largest or latest first.")
            .optional(
                    "page_size",
                    Scalars.WHOLE_NUMBER,
                    Index::pageSize,
                    24,
                    Sense.FORM,
                    "Records on one page, or in one group, up to 200.")
            .optional(
                    "as",
                    Scalars.word(Index.ListForm.class, Index.ListForm::code),
                    Index::as,
                    Index.ListForm.CARDS,
                    Sense.FORM,
                    "Whether the records are shown as cards, as lines or in a table.")
            .optional(
                    "columns",
                    Composites.list(Scalars.reference(Mapper.ReferenceTarget.VALUE)),
                    Index::columns,
                    List.of(),
                    Sense.FORM,
                    "The columns of the table: fields, or ways to values. The title alone when left out.")
            .optional(
                    "across",
                    ACROSS,
                    Index::across,
                    Index.Across.FITTING,
                    Sense.FORM,
                    "How many cards stand beside one another, up to 6.")
            .optional(
                    "group_by",
                    Scalars.reference(Mapper.ReferenceTarget.FIELD_OR_TAXONOMY),
                    Index::group,
                    "",
                    Sense.FORM,
                    "The choice or taxonomy that the records are grouped by.")
            .optional(
                    "intro",
                    Scalars.TEXT,
                    Index::intro,
                    "",
                    Sense.WORDING,
                    "The words above the list; the description of the type when left out.")
            .optional(
                    "filters",
                    Composites.list(Scalars.reference(Mapper.ReferenceTarget.FIELD_OR_TAXONOMY)),
                    Index::filters,
                    List.of(),
                    Sense.FORM,
                    "The fields and taxonomies that visitors narrow the list by, in order.")
            .optional(
                    "search",
                    Scalars.FLAG,
                    Index::search,
                    false,
                    Sense.FORM,
                    "Whether visitors can look for words in the list.")
            .build(v -> new Index(
                    v.<Boolean>get("on"),
                    v.get("order"),
                    v.<Boolean>get("descending"),
                    v.<Integer>get("page_size"),
                    v.get("as"),
                    v.get("columns"),
                    v.get("across"),
                    v.get("group_by"),
                    v.get("intro"),
                    v.get("filters"),
                    v.<Boolean>get("search")));

    static final ObjectShape<Nesting> NESTING = ObjectShape.<Nesting>of("nesting")
            .required(
                    "under",
                    Composites.set(Scalars.reference(Mapper.ReferenceTarget.TYPE)),
                    Nesting::under,
                    Sense.ALLOWED,
                    "The content types whose records may be a parent.")
            .optional("required", Scalars.FLAG, Nesting::required, false, Sense.RULE, "Whether a parent is required.")
            .optional(
                    "parents_in_address",
                    Scalars.FLAG,
                    Nesting::parentsInAddress,
                    true,
                    Sense.ADDRESS,
                    "Whether the address includes the parents.")
            .build(v -> new Nesting(v.get("under"), v.<Boolean>get("required"), v.<Boolean>get("parents_in_address")));

    static final ObjectShape<TaxonomyUse> USE = ObjectShape.<TaxonomyUse>of("taxonomy in use")
            .named("taxonomy_use")
            .identity(TaxonomyUse::taxonomy, true)
            .labelled(TaxonomyUse::taxonomy)
            .required(
                    "use",
                    Scalars.reference(Mapper.ReferenceTarget.TAXONOMY),
                    TaxonomyUse::taxonomy,
                    Sense.IDENTITY,
                    "The taxonomy that classifies the records.")
            .optional(
                    "required",
                    Scalars.FLAG,
                    TaxonomyUse::required,
                    false,
                    Sense.RULE,
                    "Whether a published record needs a term.")
            .optional(
                    "max",
                    Scalars.WHOLE_NUMBER,
                    TaxonomyUse::max,
                    null,
                    Sense.UPPER_BOUND,
                    "The most terms that one record may have.")
            .optional(
                    "add_terms",
                    Scalars.FLAG,
                    TaxonomyUse::addTerms,
                    false,
                    Sense.BEHAVIOUR,
                    "Whether editors may add terms while they fill in a form.")
            .build(v -> new TaxonomyUse(
                    v.get("use"), v.<Boolean>get("required"), v.get("max"), v.<Boolean>get("add_terms")));
}
