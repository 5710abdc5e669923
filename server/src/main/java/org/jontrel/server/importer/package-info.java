/** Rows of workbooks brought onto sites, over HTTP. Uses workbook to open what is sent, and the engine of the site for the rest. */
package org.jontrel.server.importer;
