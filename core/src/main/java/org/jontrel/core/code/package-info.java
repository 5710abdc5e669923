/**
 * Definitions as YAML or JSON files, folders and zips: strict reading, canonical writing, both from one description. Uses model and finding.
 */
package org.jontrel.core.code;
