/**
 * Pictures over HTTP. Uses site.
 */
package org.jontrel.server.media;
