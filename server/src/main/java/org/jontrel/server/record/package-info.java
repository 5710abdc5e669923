/**
 * Records of sites over HTTP. Uses site.
 */
package org.jontrel.server.record;
