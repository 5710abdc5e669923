/**
 * Everything that a model can hold, described once as named properties: from this one description files are read and
 * written, schemas made, definitions compared, merged and documented. Uses model and finding.
 */
package org.jontrel.core.shape;
