/** Workbooks in the browser: models proposed for them. */
package org.jontrel.e2e.workbook;
