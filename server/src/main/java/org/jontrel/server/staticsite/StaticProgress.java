package org.jontrel.server.staticsite;

import io.swagger.v3.oas.annotations.media.Schema;

/**
 * How far the saving of a site is.
 *
 * @param pages written so far, feeds among them
 * @param known pages that are known to be there, which may become more
 * @param files pictures and other files written so far
 */
@Schema(requiredProperties = {"pages", "known", "files", "done"})
public record StaticProgress(long pages, long known, long files, boolean done) {
    /** Hears how far it is. */
    public interface Listener {
        void at(StaticProgress progress);
    }
}
