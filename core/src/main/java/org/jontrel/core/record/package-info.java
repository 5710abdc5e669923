/**
 * Records against their definitions: read from forms, checked, compared, carried over, asked by conditions. Uses model, naming, finding, holder and value.
 */
package org.jontrel.core.record;
