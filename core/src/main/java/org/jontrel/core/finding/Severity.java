package org.jontrel.core.finding;

/** How bad a finding is, mildest first. */
public enum Severity {
    NOTE,
    WARNING,
    BLOCKER
}
