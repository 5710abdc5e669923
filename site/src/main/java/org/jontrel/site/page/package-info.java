/**
 * Reads what pages need: one question for each level and list of a page, however many records there are. Gives only what its
 * audience may see.
 */
package org.jontrel.site.page;
