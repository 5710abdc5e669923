/**
 * Rows of sheets as records: to which field each column goes, and what the cells of a row say. Who looks up what names lead to, and
 * stores it, is elsewhere.
 */
package org.jontrel.core.importer;
