package org.jontrel.core.model;

import java.util.List;

/** Fields whose values exist once for a whole site. */
public record SiteValues(String id, String key, String title, String description, List<Section> sections)
        implements Definition {
    public SiteValues {
        sections = List.copyOf(sections);
    }

    @Override
    public String name() {
        return title;
    }
}
