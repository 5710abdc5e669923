/**
 * A site: the face of the engine. Uses the packages below it.
 */
package org.jontrel.site;
