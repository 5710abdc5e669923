/**
 * Models proposed for workbooks that somebody sends, until they are taken into a draft. Uses workspace, and the readers of files in
 * {@code org.jontrel.workbook}.
 */
package org.jontrel.server.workbook;
