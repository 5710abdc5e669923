/**
 * Plans that are tried on a copy of a site, and the reports of what came of them.
 */
package org.jontrel.server.rehearsal;
