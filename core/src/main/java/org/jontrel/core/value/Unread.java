package org.jontrel.core.value;

import org.jontrel.core.finding.Finding;

/** Stands in the place of a value that was sent and cannot be read. */
record Unread(Finding finding) {}
