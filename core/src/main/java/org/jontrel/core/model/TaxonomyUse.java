package org.jontrel.core.model;

/**
 * A taxonomy by which the records of a type are classified.
 *
 * @param taxonomy id of the {@link Taxonomy}
 * @param max most terms of one record, or {@code null}
 * @param addTerms whether editors may add terms while they fill in a record
 */
public record TaxonomyUse(String taxonomy, boolean required, Integer max, boolean addTerms) {}
