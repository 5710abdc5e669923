package org.jontrel.core.model;

import org.jontrel.core.model.condition.Condition;

/**
 * A shared group in use.
 *
 * @param group id of the {@link SharedGroup}
 */
public record GroupUse(String group, Condition showWhen) implements Section {}
