/**
 * Each sort of definition as named properties of files: what shape describes. Uses model, finding and shape.
 */
package org.jontrel.core.format;
