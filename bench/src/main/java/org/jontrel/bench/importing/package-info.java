/** How long rows of a workbook take to become records, beside what the database does by itself. */
package org.jontrel.bench.importing;
