/**
 * Where records stand, and at which addresses visitors find them. Uses table and record.read.
 */
package org.jontrel.site.record.address;
