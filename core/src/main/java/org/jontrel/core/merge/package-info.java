/**
 * Two lines of work brought together over their common ancestor. Uses model, code's descriptions and check.
 */
package org.jontrel.core.merge;
