/**
 * Content types that are merged or split: which records become those of another type, and what their fields are there. Uses
 * model, record types, moves and code.
 */
package org.jontrel.core.retype;
