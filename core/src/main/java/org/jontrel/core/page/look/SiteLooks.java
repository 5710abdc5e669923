package org.jontrel.core.page.look;

import org.jontrel.core.model.Look;
import org.jontrel.core.model.Model;

/** Which look a site gets. */
public final class SiteLooks {
    private SiteLooks() {}

    /**
     * The look that somebody chose; where it is gone, or nobody has chosen, the first of the model; else the plain one.
     *
     * @param chosen the id of a look of the model, or the word of one that comes with the application; empty for none
     */
    public static Look of(Model model, String chosen) {
        return model.find(Look.class, chosen)
                .or(() -> ShippedLook.of(chosen).map(ShippedLook::look))
                .or(() -> model.all(Look.class).stream().findFirst())
                .orElse(ShippedLook.PLAIN.look());
    }
}
