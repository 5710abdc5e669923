/**
 * Saving, loading and listing records. Uses table and core's values.
 */
package org.jontrel.site.record;
