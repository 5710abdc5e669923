/**
 * Whether a model holds together. Uses model, shape, value and finding.
 */
package org.jontrel.core.check;
