package org.jontrel.core.value;

/**
 * A record that a relation points at.
 *
 * @param type id of its content type
 * @param id of the record
 */
public record Link(String type, long id) {}
