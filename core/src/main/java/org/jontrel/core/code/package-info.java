/**
 * Definitions as YAML or JSON files, folders and zips: strict reading, canonical writing, both from their shapes. Uses model,
 * finding and shape.
 */
package org.jontrel.core.code;
