/**
 * Made-up values for a definition, and what the content API would give of it. Uses model and value.
 */
package org.jontrel.core.sample;
