/**
 * Two lines of work brought together over their common ancestor. Uses model, shape, compare and check.
 */
package org.jontrel.core.merge;
