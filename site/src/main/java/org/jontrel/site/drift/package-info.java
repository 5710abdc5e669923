/**
 * What somebody, or something, did to a site's tables past the definitions: found, and put back. Uses table and record.read.
 */
package org.jontrel.site.drift;
