/** Some rows of one sheet at a time: what they make of records, tried or brought, and what is wrong with them. */
package org.jontrel.site.importer.chunk;
