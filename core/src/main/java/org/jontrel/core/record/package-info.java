/**
 * Records against their definitions: read from forms, checked, compared, carried over, asked by conditions. Uses model, naming, finding, record type and value.
 */
package org.jontrel.core.record;
