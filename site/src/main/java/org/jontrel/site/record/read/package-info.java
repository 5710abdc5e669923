/**
 * Records out of their tables: one by one, and in lists. Uses table and core.
 */
package org.jontrel.site.record.read;
