package org.jontrel.core.page.index;

/**
 * A term that a list can be narrowed by, as visitors may see it.
 *
 * @param id its number on the site
 * @param address below its taxonomy, which names it in the addresses of lists
 * @param parent number of the term above; 0 for none
 * @param colour empty for none
 */
public record FilterTerm(long id, String address, String label, long parent, String colour) {}
