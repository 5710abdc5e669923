/**
 * Copies of whole sites, on which something can be tried. Uses table.
 */
package org.jontrel.site.copy;
