/**
 * What stands on a page: blocks, the ways in which they show values, and texts with values within. References are ids, never
 * objects; a value is named by the way that leads to it.
 */
package org.jontrel.core.model.block;
