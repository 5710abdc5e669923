/**
 * Whether a model holds together. Uses model, value and finding.
 */
package org.jontrel.core.check;
