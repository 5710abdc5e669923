/**
 * Values of each kind: parse, check, convert, format. Uses model and finding.
 */
package org.jontrel.core.value;
