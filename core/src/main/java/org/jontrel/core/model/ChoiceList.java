package org.jontrel.core.model;

import java.util.List;

/** A named list of options that several fields share. */
public record ChoiceList(String id, String key, String title, String description, List<Kind.Option> options)
        implements Definition {
    public ChoiceList {
        options = List.copyOf(options);
    }

    @Override
    public String name() {
        return title;
    }
}
