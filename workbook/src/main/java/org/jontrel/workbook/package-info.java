/** Reads the files that spreadsheet programs write, as streams of rows; whatever is in them, memory and time are bounded. */
package org.jontrel.workbook;
