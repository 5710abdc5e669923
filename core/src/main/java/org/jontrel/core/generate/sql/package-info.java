/** Databases of one's own that hold what the content API gives: their tables, and scripts from one release to the next. */
package org.jontrel.core.generate.sql;
