package org.jontrel.core.move;

import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.jontrel.core.model.Field;

/** The records and terms of a site by what people call them. */
public interface NameLookup {
    /** Where there are none. */
    NameLookup NONE = new NameLookup() {
        @Override
        public Optional<Object> find(Field field, String name, String makes) {
            return Optional.empty();
        }

        @Override
        public Optional<String> name(Field field, Object reference) {
            return Optional.empty();
        }
    };

    /**
     * What a field of kind relation or term can lead to under this name; empty where nothing or several have it.
     *
     * @param makes name under which terms are noted that the new definition begins with and that are not there yet
     */
    Optional<Object> find(Field field, String name, String makes);

    /** What a relation can lead to where a field with this key says the name; empty where nothing or several say it. */
    default Optional<Object> find(Field field, String name, NamingField by) {
        return Optional.empty();
    }

    /** The field by which most of some names are found, at least half of them, that no title has. */
    default Optional<FoundNames> matching(Field field, Collection<String> names) {
        return Optional.empty();
    }

    /** A field of what a relation leads to. */
    record NamingField(String key) {}

    /** @param names those that it says */
    record FoundNames(NamingField by, Set<String> names) {}

    /** What the field with this key says of what a value leads to; empty where it says nothing. */
    default Optional<String> said(Field field, Object reference, NamingField by) {
        return Optional.empty();
    }

    /**
     * The term that stands at the end of a path of labels; empty where there is none, or several.
     *
     * @param path the uppermost label first, which is that of a term under none
     */
    default Optional<Object> find(Field field, List<String> path) {
        return Optional.empty();
    }

    /**
     * A new term with this label, or a new record with this title, for a field of kind term or relation; the same each time. Empty
     * where none can be made, as where several are called so.
     *
     * @param path the label or title; for a term that stands under others, their labels before it, of which those are made too
     *     that are not there yet
     * @param makes name under which those of one run are made
     */
    default Optional<Object> make(Field field, List<String> path, String makes) {
        return Optional.empty();
    }

    /** Whether {@link #make} could make something for a name that was not found. */
    default boolean canMake(Field field, List<String> path) {
        return true;
    }

    /** What a value that leads to a record leads to from now on; empty where the field cannot lead there. */
    default Optional<Object> led(Field field, Object reference) {
        return Optional.of(reference);
    }

    /** The title or label of what a value of a field of kind relation or term leads to; empty where it is gone. */
    Optional<String> name(Field field, Object reference);

    /** The label of a term behind those of all that it stands under, the uppermost first; empty where it is gone. */
    default List<String> path(Field field, Object reference) {
        return name(field, reference).stream().toList();
    }
}
