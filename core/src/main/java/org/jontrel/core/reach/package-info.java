/**
 * What can be reached from a record, a term or a row: its own fields, what stands above it, records over relations and the
 * other way round, terms, the values of the site. References may stand as keys or as ids. Uses the model only.
 */
package org.jontrel.core.reach;
