/** Counting what a plan asks of a site, while others look at how far it is. */
package org.jontrel.site.run.count;
