package org.jontrel.server.account;

import com.fasterxml.jackson.annotation.JsonProperty;

/** Who may do what: architects define and run, editors write records, viewers read. */
public enum Role {
    @JsonProperty("architect")
    ARCHITECT,
    @JsonProperty("editor")
    EDITOR,
    @JsonProperty("viewer")
    VIEWER
}
