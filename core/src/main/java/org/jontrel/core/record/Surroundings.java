package org.jontrel.core.record;

import java.util.Optional;
import org.jontrel.core.model.condition.RecordState;

/** What conditions may ask of a record beside its values; what a form under construction has is the default. */
public interface Surroundings {
    Surroundings NONE = new Surroundings() {};

    /** The id that definitions know a term of a site by; its own number as text where they do not know it. */
    default String term(Object value) {
        return String.valueOf(value);
    }

    /** Whether a term is the other one or stands below it; both as {@link #term} gives them. */
    default boolean under(String taxonomyId, String termId, String aboveId) {
        return termId.equals(aboveId);
    }

    /** Id of the type of the record above. */
    default Optional<String> parentType() {
        return Optional.empty();
    }

    default RecordState state() {
        return RecordState.DRAFT;
    }

    /** The last part of the record's address; empty where it has none. */
    default String slug() {
        return "";
    }
}
