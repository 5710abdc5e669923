package org.jontrel.site.importer;

/**
 * What undoing an import does.
 *
 * @param removed records that it made and that go
 * @param restored records that it changed and that become what they were
 * @param changed records that somebody changed since; they stay as they are
 * @param led records that it made and that others lead to by now; they stay
 */
public record UndoCounts(long removed, long restored, long changed, long led) {}
