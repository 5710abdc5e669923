/**
 * The definitions as immutable records; references are ids, never objects. Uses its own inner packages and nothing else.
 */
package org.jontrel.core.model;
