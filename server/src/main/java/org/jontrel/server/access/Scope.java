package org.jontrel.server.access;

import com.fasterxml.jackson.annotation.JsonProperty;
import java.util.Locale;

/** What a token may do in its workspace; every token may {@link #READ}. */
public enum Scope {
    /** Look at the draft, releases, sites and runs. */
    @JsonProperty("read")
    READ,
    /** Change the draft. */
    @JsonProperty("draft")
    DRAFT,
    /** Release the draft. */
    @JsonProperty("release")
    RELEASE,
    /** Plan what a release would do to a site, which tells of its records, and look for drift. */
    @JsonProperty("plan")
    PLAN,
    /** Run a plan on a site, and undo it. */
    @JsonProperty("run")
    RUN;

    String code() {
        return name().toLowerCase(Locale.ROOT);
    }
}
