package org.jontrel.core.model;

import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Stream;

/**
 * A kind of record: its names, its address on the site, its standard parts, its groups of fields and its taxonomies.
 *
 * @param path the public address segment, {@code kebab-case}
 * @param wordings texts that replace the ones derived from the noun, by the code of each wording
 * @param partLabels labels that replace those of standard parts, by {@link Part#code()}
 * @param sections own and shared groups of fields, in order
 * @param columns ids of the fields that lists of its records show; the first few where empty
 */
public record ContentType(
        String id,
        String key,
        String singular,
        String plural,
        String description,
        String icon,
        String path,
        Map<String, String> wordings,
        List<Part> parts,
        Map<String, String> partLabels,
        List<Section> sections,
        List<TaxonomyUse> taxonomies,
        Index index,
        Nesting nesting,
        Publishing publishing,
        List<String> columns,
        Head head)
        implements Definition {
    public ContentType {
        wordings = Collections.unmodifiableMap(new TreeMap<>(wordings));
        parts = List.copyOf(parts);
        partLabels = Collections.unmodifiableMap(new TreeMap<>(partLabels));
        sections = List.copyOf(sections);
        taxonomies = List.copyOf(taxonomies);
        columns = List.copyOf(columns);
    }

    /** A type with everything else as it is by default. */
    public ContentType(
            String id,
            String key,
            String singular,
            String plural,
            String description,
            String icon,
            String path,
            Map<String, String> wordings,
            List<Part> parts,
            List<? extends Section> sections) {
        this(
                id,
                key,
                singular,
                plural,
                description,
                icon,
                path,
                wordings,
                parts,
                Map.of(),
                List.copyOf(sections),
                List.of(),
                Index.PLAIN,
                Nesting.NONE,
                Publishing.PLAIN,
                List.of(),
                Head.PLAIN);
    }

    @Override
    public String name() {
        return singular;
    }

    /** The groups of its own, in order. */
    public List<Group> groups() {
        return Section.own(sections);
    }

    /** The fields of its own groups; neither those within fields nor those of shared groups. */
    public Stream<Field> fields() {
        return groups().stream().flatMap(group -> group.fields().stream());
    }

    /** The standard parts as fields, then the fields of its own groups. */
    public Stream<Field> allFields() {
        return Stream.concat(parts.stream().map(this::partField), fields());
    }

    /** A standard part as a field, with the label that this type gives it. */
    public Field partField(Part part) {
        var label = partLabels.getOrDefault(part.code(), "");
        return label.isBlank() ? part.asField() : part.asField().withLabel(label);
    }

    /** A field or standard part. */
    public Optional<Field> field(String id) {
        return allFields().filter(field -> field.id().equals(id)).findFirst();
    }

    public boolean has(Part part) {
        return parts.contains(part);
    }

    public ContentType withSections(List<? extends Section> newSections) {
        return new ContentType(
                id,
                key,
                singular,
                plural,
                description,
                icon,
                path,
                wordings,
                parts,
                partLabels,
                List.copyOf(newSections),
                taxonomies,
                index,
                nesting,
                publishing,
                columns,
                head);
    }

    /** The type with what another says of its pages. */
    public ContentType withPagesOf(ContentType other) {
        return with(other.index, other.wordings, other.head);
    }

    public ContentType withIndex(Index newIndex) {
        return with(newIndex, wordings, head);
    }

    public ContentType withHead(Head newHead) {
        return with(index, wordings, newHead);
    }

    private ContentType with(Index newIndex, Map<String, String> newWordings, Head newHead) {
        return new ContentType(
                id,
                key,
                singular,
                plural,
                description,
                icon,
                path,
                newWordings,
                parts,
                partLabels,
                sections,
                taxonomies,
                newIndex,
                nesting,
                publishing,
                columns,
                newHead);
    }

    /** The type under another key and address. */
    public ContentType withNames(String newKey, String newPath) {
        return new ContentType(
                id,
                newKey,
                singular,
                plural,
                description,
                icon,
                newPath,
                wordings,
                parts,
                partLabels,
                sections,
                taxonomies,
                index,
                nesting,
                publishing,
                columns,
                head);
    }
}
