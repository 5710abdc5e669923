/**
 * The records of a site, for those who ask for them; reading, writing and addresses are packages of their own below.
 */
package org.jontrel.site.record;
