/** Tokens with which programs write over a site's content API. */
package org.jontrel.server.token;
