package org.jontrel.core.model;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Stream;

/**
 * A kind of record: its names, its address on the site, its standard parts and its groups of fields.
 *
 * @param path the public address segment, {@code kebab-case}
 * @param wordings texts that replace the ones derived from the noun, by {@link Wording#code()}
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
        List<Group> groups) {
    public ContentType {
        wordings = java.util.Collections.unmodifiableMap(new TreeMap<>(wordings));
        parts = List.copyOf(parts);
        groups = List.copyOf(groups);
    }

    public Stream<Field> fields() {
        return groups.stream().flatMap(group -> group.fields().stream());
    }

    /** The standard parts as fields, then the fields of all groups: everything a record holds. */
    public Stream<Field> allFields() {
        return Stream.concat(parts.stream().map(Part::asField), fields());
    }

    /** A field or standard part. */
    public Optional<Field> field(String id) {
        return allFields().filter(field -> field.id().equals(id)).findFirst();
    }

    public Optional<Field> fieldByKey(String key) {
        return fields().filter(field -> field.key().equals(key)).findFirst();
    }

    /** The group that holds the field, if this type has it. */
    public Optional<Group> groupOf(String fieldId) {
        return groups.stream()
                .filter(group ->
                        group.fields().stream().anyMatch(field -> field.id().equals(fieldId)))
                .findFirst();
    }

    public boolean has(Part part) {
        return parts.contains(part);
    }

    public ContentType withId(String newId) {
        return new ContentType(newId, key, singular, plural, description, icon, path, wordings, parts, groups);
    }

    public ContentType withGroups(List<Group> newGroups) {
        return new ContentType(id, key, singular, plural, description, icon, path, wordings, parts, newGroups);
    }
}
