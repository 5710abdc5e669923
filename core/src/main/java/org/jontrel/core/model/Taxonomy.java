package org.jontrel.core.model;

import java.util.List;
import java.util.stream.Stream;

/**
 * A classification, flat or hierarchical.
 *
 * @param path the public address segment over its terms
 * @param parentsInAddress whether the address of a term carries those above it
 * @param fields what each term holds beside its label
 * @param terms starter terms; sites may add their own
 */
public record Taxonomy(
        String id,
        String key,
        String singular,
        String plural,
        String description,
        String path,
        boolean hierarchical,
        boolean parentsInAddress,
        List<Field> fields,
        List<Section> sections,
        List<Term> terms,
        Head head)
        implements Definition {
    /** The name of a term, as a field: what a title is to a record. */
    public static final Field LABEL =
            new Field("part_title", "label", "Label", "", true, new Kind.Text(null, 200, "", ""));

    public Taxonomy {
        fields = List.copyOf(fields);
        sections = List.copyOf(sections);
        terms = List.copyOf(terms);
    }

    /** A taxonomy with everything else as it is by default. */
    public Taxonomy(
            String id,
            String key,
            String singular,
            String plural,
            String description,
            String path,
            boolean hierarchical,
            boolean parentsInAddress,
            List<Field> fields,
            List<Section> sections,
            List<Term> terms) {
        this(
                id,
                key,
                singular,
                plural,
                description,
                path,
                hierarchical,
                parentsInAddress,
                fields,
                sections,
                terms,
                Head.PLAIN);
    }

    public Taxonomy withHead(Head newHead) {
        return new Taxonomy(
                id,
                key,
                singular,
                plural,
                description,
                path,
                hierarchical,
                parentsInAddress,
                fields,
                sections,
                terms,
                newHead);
    }

    @Override
    public String name() {
        return singular;
    }

    /** All terms with those below them, each above its own. */
    public Stream<Term> allTerms() {
        return terms.stream().flatMap(Term::withDescendants);
    }

    public Taxonomy withFields(List<Field> newFields) {
        return new Taxonomy(
                id,
                key,
                singular,
                plural,
                description,
                path,
                hierarchical,
                parentsInAddress,
                newFields,
                sections,
                terms,
                head);
    }

    public Taxonomy withSections(List<Section> newSections) {
        return new Taxonomy(
                id,
                key,
                singular,
                plural,
                description,
                path,
                hierarchical,
                parentsInAddress,
                fields,
                newSections,
                terms,
                head);
    }

    public Taxonomy withTerms(List<Term> newTerms) {
        return new Taxonomy(
                id,
                key,
                singular,
                plural,
                description,
                path,
                hierarchical,
                parentsInAddress,
                fields,
                sections,
                newTerms,
                head);
    }
}
