package org.jontrel.core.compare;

/**
 * Where a thing stands.
 *
 * @param ownerId what tells its owner apart; empty for a definition
 * @param slot the owner's property that holds it
 * @param behind what tells the thing before it apart; empty where it is the first
 * @param name what people call the owner
 */
public record ThingPosition(String ownerId, String slot, String behind, String name) {
    static final ThingPosition MODEL = new ThingPosition("", "", "", "");
}
