package org.jontrel.core.model;

/**
 * A shared group in use.
 *
 * @param group id of the {@link SharedGroup}
 */
public record GroupUse(String group, Condition showWhen) implements Section {}
