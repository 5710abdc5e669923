/**
 * Models as physical tables: names, columns, statements, and which columns there really are. Uses core's model and a database session.
 */
package org.jontrel.site.table;
