/**
 * The registry of sites, plans and runs with their progress. Uses the site engine and release.
 */
package org.jontrel.server.site;
