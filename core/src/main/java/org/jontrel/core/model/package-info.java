/**
 * The definitions as immutable records; references are ids, never objects. Uses nothing of the other packages.
 */
package org.jontrel.core.model;
