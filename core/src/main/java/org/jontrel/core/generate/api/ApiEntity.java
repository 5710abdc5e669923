package org.jontrel.core.generate.api;

import java.util.List;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.SiteValues;
import org.jontrel.core.model.Taxonomy;
import org.jontrel.core.recordtype.RecordType;

/**
 * The records of a content type, the terms of a taxonomy, or site values.
 *
 * @param singular what people call one of them
 * @param plural what people call several
 * @param segment where they stand in the address of the API, such as {@code moorings}
 */
public record ApiEntity(
        EntitySort sort, String key, String singular, String plural, String segment, List<ApiField> fields) {
    public ApiEntity {
        fields = List.copyOf(fields);
    }

    /** What can be done with them. */
    public enum EntitySort {
        /** Listed, read, made, changed, replaced and deleted. */
        RECORDS,
        /** The same, but for replacing. */
        TERMS,
        /** Read and changed: there is one of them. */
        VALUES
    }

    /** What a type of them is called: {@code StoppageNotice}, {@code HabitatTerm}, {@code OpeningValues}. */
    public String typeName() {
        return CodeNames.pascal(key)
                + switch (sort) {
                    case RECORDS -> "";
                    case TERMS -> "Term";
                    case VALUES -> "Values";
                };
    }

    /** What people call one, with where it stands, as it is told. */
    public String about() {
        return singular + " (" + segment + ")";
    }

    /** Whether the API gives it, to programs with a token at least. */
    public static boolean isGiven(RecordType recordType) {
        return !(recordType.definition() instanceof ContentType type)
                || type.publishing().api();
    }

    /** Where the API gives what a definition holds. */
    public static String segment(RecordType recordType) {
        return switch (recordType.definition()) {
            case ContentType type ->
                type.publishing().apiPath().isEmpty()
                        ? type.path()
                        : type.publishing().apiPath();
            default -> recordType.definition().sort().folder() + "/" + recordType.key();
        };
    }

    static ApiEntity of(Model model, RecordType recordType) {
        return new ApiEntity(
                sort(recordType.definition()),
                recordType.key(),
                recordType.singular(),
                recordType.plural(),
                segment(recordType),
                ApiField.of(model, recordType.fields().toList()));
    }

    private static EntitySort sort(Definition definition) {
        return switch (definition) {
            case Taxonomy _ -> EntitySort.TERMS;
            case SiteValues _ -> EntitySort.VALUES;
            default -> EntitySort.RECORDS;
        };
    }
}
