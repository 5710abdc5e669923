/**
 * Rows of workbooks brought onto a site as records: staged, tried without storing anything, brought in bounded transactions with a journal,
 * and taken back. All that is known of an import stands in the site's own tables, so another process goes on where one ended.
 */
package org.jontrel.site.importer;
