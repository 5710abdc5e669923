/** Models to start from, each with made-up records and pictures. Uses site and workbook to send their rows to the engine of a site. */
package org.jontrel.server.sample;
