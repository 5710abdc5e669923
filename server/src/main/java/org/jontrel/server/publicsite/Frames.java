package org.jontrel.server.publicsite;

import java.util.stream.Collectors;
import org.jontrel.core.model.ContentType;
import org.jontrel.site.Site;

/** The frames of a site's real pages: they lead only to what visitors find something at. */
final class Frames {
    private Frames() {}

    static PageFrame of(String name, String path, Site engine) {
        var model = engine.installed().model();
        var filled = engine.records()
                .visible(model.types().stream()
                        .filter(type -> type.publishing().visible())
                        .map(ContentType::id)
                        .collect(Collectors.toSet()));
        return PageFrame.of(name, path, model, type -> filled.contains(type.id()));
    }
}
