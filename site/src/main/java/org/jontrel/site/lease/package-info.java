/** The right to work on a site for a long time, which one process has at a time. */
package org.jontrel.site.lease;
