/** What the names in rows of workbooks lead to: records of the site, other rows, and what is to be made for them. */
package org.jontrel.site.importer.name;
