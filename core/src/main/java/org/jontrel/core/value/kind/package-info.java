/**
 * Values of each kind: read, checked, shown, turned into text and back. Uses model, naming, finding and value.
 */
package org.jontrel.core.value.kind;
