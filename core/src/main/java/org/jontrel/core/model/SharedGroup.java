package org.jontrel.core.model;

import java.util.List;

/** A group of fields that several types, taxonomies or site values use. */
public record SharedGroup(String id, String key, String title, String description, List<Field> fields)
        implements Definition {
    public SharedGroup {
        fields = List.copyOf(fields);
    }

    @Override
    public String name() {
        return title;
    }
}
