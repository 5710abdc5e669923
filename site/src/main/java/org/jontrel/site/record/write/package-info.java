/**
 * Records into their tables: checked, stored, removed, brought back. Uses table, record.read and record.address.
 */
package org.jontrel.site.record.write;
