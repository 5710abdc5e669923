package org.jontrel.core.plan.fact;

/**
 * What a plan wants to know of a site's records of one type, or of one field of them.
 *
 * @param fieldId empty where only the number of records matters
 */
public record Question(String recordTypeId, String fieldId) {}
