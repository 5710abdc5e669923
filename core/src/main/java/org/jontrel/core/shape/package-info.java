/**
 * Things as named properties, each described once: from this one description files are read and written, schemas made, things
 * compared, merged and documented. What it describes is in format. Uses model and finding.
 */
package org.jontrel.core.shape;
