/** Sends releases to other installations, which compare, merge and run them under their own rules. */
package org.jontrel.server.send;
