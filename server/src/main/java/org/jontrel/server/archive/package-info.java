/** Whole sites that leave for other installations, or come from them. Uses site, workspace. */
package org.jontrel.server.archive;
