/** Which sites are served, to whom, and by which state of their definitions. Uses web. */
package org.jontrel.serve.site;
