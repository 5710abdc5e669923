/**
 * Pictures and other files over HTTP. Uses site.
 */
package org.jontrel.server.media;
