package org.jontrel.core.record;

import org.jontrel.core.finding.Finding;

/** Stands in the place of a value that was sent and cannot be read. */
record Unread(Finding finding) {}
