package org.jontrel.core.model.block;

import java.util.List;

/**
 * The way to a value, step by step: fields, relations, inverses, taxonomies, the record above, the values of the site. Written
 * with dots between, by ids in the model and by keys in files.
 */
public record ValuePath(List<String> steps) {
    /** The record that this one stands under. */
    public static final String PARENT = "own_parent";
    /** What is there once for the whole site. */
    public static final String SITE = "own_site";
    /** After {@link #SITE}: what the site is called. */
    public static final String SITE_NAME = "own_name";

    public ValuePath {
        steps = List.copyOf(steps);
    }

    public static ValuePath of(String text) {
        return new ValuePath(List.of(text.split("\\.", -1)));
    }

    public String last() {
        return steps.getLast();
    }

    @Override
    public String toString() {
        return String.join(".", steps);
    }
}
