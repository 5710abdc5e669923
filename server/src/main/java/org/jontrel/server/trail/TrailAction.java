package org.jontrel.server.trail;

import com.fasterxml.jackson.annotation.JsonProperty;

/** What the trail tells of. */
public enum TrailAction {
    @JsonProperty("signed_in")
    SIGNED_IN,
    @JsonProperty("sign_in_refused")
    SIGN_IN_REFUSED,
    @JsonProperty("signed_out")
    SIGNED_OUT,
    @JsonProperty("account_added")
    ACCOUNT_ADDED,
    @JsonProperty("account_changed")
    ACCOUNT_CHANGED,
    @JsonProperty("account_deleted")
    ACCOUNT_DELETED,
    @JsonProperty("password_changed")
    PASSWORD_CHANGED,
    @JsonProperty("reset_link_made")
    RESET_LINK_MADE,
    @JsonProperty("sessions_ended")
    SESSIONS_ENDED,
    @JsonProperty("token_made")
    TOKEN_MADE,
    @JsonProperty("token_revoked")
    TOKEN_REVOKED,
    @JsonProperty("released")
    RELEASED,
    @JsonProperty("sent")
    SENT,
    @JsonProperty("run_started")
    RUN_STARTED,
    @JsonProperty("rehearsed")
    REHEARSED,
    @JsonProperty("run_undone")
    RUN_UNDONE,
    @JsonProperty("drift_mended")
    DRIFT_MENDED,
    @JsonProperty("drift_taken")
    DRIFT_TAKEN,
    @JsonProperty("site_archived")
    SITE_ARCHIVED,
    @JsonProperty("site_restored")
    SITE_RESTORED,
    @JsonProperty("site_set")
    SITE_SET,
    @JsonProperty("values_brought_back")
    VALUES_BROUGHT_BACK,
    @JsonProperty("values_purged")
    VALUES_PURGED,
    @JsonProperty("records_imported")
    RECORDS_IMPORTED,
    @JsonProperty("import_undone")
    IMPORT_UNDONE
}
