package org.jontrel.core.format;

import java.util.List;
import java.util.Map;
import org.jontrel.core.model.Head;
import org.jontrel.core.model.Taxonomy;
import org.jontrel.core.model.Term;
import org.jontrel.core.shape.Composites;
import org.jontrel.core.shape.ObjectShape;
import org.jontrel.core.shape.Recursive;
import org.jontrel.core.shape.Scalars;
import org.jontrel.core.shape.Sense;
import org.jontrel.core.shape.ThingShape;

/** Taxonomies and their starter terms in files. */
final class TaxonomyShape {
    private static final ThingShape<Term> WITHIN = new Recursive<>(() -> TaxonomyShape.TERM);

    static final ObjectShape<Term> TERM = ObjectShape.<Term>of("term")
            .named("term")
            .id(Term::id)
            .key(Term::key)
            .labelled(Term::label)
            .required(
                    "label",
                    Scalars.TEXT,
                    Term::label,
                    Sense.WORDING,
                    "The name of the term, as editors and visitors read it.")
            .optional(
                    "values",
                    Composites.texts(Scalars.VALUE),
                    Term::values,
                    Map.of(),
                    Sense.BEHAVIOUR,
                    "Its values, by the key of the taxonomy's field.")
            .optional("children", Composites.things(WITHIN), Term::children, List.of(), Sense.PARTS, "Its child terms.")
            .build(v -> new Term(v.get("id"), v.get("key"), v.get("label"), v.get("values"), v.get("children")));

    static final ObjectShape<Taxonomy> TAXONOMY = ObjectShape.<Taxonomy>of("taxonomy")
            .id(Taxonomy::id)
            .key(Taxonomy::key)
            .labelled(Taxonomy::singular)
            .required("singular", Scalars.TEXT, Taxonomy::singular, Sense.WORDING, "The noun for one term.")
            .required("plural", Scalars.TEXT, Taxonomy::plural, Sense.WORDING, "The noun for several terms.")
            .optional("description", Scalars.TEXT, Taxonomy::description, "", Sense.WORDING, "What it classifies by.")
            .required("path", Scalars.TEXT, Taxonomy::path, Sense.ADDRESS, "The public address segment.")
            .optional(
                    "hierarchical",
                    Scalars.FLAG,
                    Taxonomy::hierarchical,
                    false,
                    Sense.PERMISSION,
                    "Whether terms can have child terms.")
            .optional(
                    "parents_in_address",
                    Scalars.FLAG,
                    Taxonomy::parentsInAddress,
                    false,
                    Sense.ADDRESS,
                    "Whether the address of a term includes its parent terms.")
            .optional(
                    "head",
                    HeadShapes.HEAD,
                    Taxonomy::head,
                    Head.PLAIN,
                    Sense.FORM,
                    "What search engines, and people with whom a page is shared, are told of its terms.")
            .optional(
                    "fields",
                    Composites.things(FieldShape.INSTANCE),
                    Taxonomy::fields,
                    List.of(),
                    Sense.PARTS,
                    "The fields of each term, beside its label.")
            .optional(
                    "groups",
                    Composites.things(SectionShape.INSTANCE),
                    Taxonomy::sections,
                    List.of(),
                    Sense.PARTS,
                    "Groups of such fields, own and shared.")
            .optional(
                    "terms",
                    Composites.things(TERM),
                    Taxonomy::terms,
                    List.of(),
                    Sense.PARTS,
                    "Starter terms; sites may add their own.")
            .build(v -> new Taxonomy(
                    v.get("id"),
                    v.get("key"),
                    v.get("singular"),
                    v.get("plural"),
                    v.get("description"),
                    v.get("path"),
                    v.<Boolean>get("hierarchical"),
                    v.<Boolean>get("parents_in_address"),
                    v.get("fields"),
                    v.get("groups"),
                    v.get("terms"),
                    v.get("head")));

    private TaxonomyShape() {}
}
