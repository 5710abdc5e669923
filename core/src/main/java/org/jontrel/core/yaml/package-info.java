/**
 * YAML and JSON as text: strict reading to nodes, canonical writing of trees, and the comments between. Uses finding and
 * shape.
 */
package org.jontrel.core.yaml;
