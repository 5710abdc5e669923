package org.jontrel.server.staticsite;

import io.swagger.v3.oas.annotations.media.Schema;

/**
 * How far the saving of a site is.
 *
 * @param pages written so far, feeds among them
 * @param known pages that are known to be there, which may become more
 * @param files pictures and other files written so far
 * @param problem why it has stopped before its end; empty where it has not
 */
@Schema(requiredProperties = {"pages", "known", "files", "done", "problem"})
public record StaticProgress(long pages, long known, long files, boolean done, String problem) {
    /** Hears how far it is. */
    public interface Listener {
        void at(StaticProgress progress);
    }
}
