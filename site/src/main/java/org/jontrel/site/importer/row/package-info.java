/** The rows of workbooks as imports keep them in a site's own tables. */
package org.jontrel.site.importer.row;
