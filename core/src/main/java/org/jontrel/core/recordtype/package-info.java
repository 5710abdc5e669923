/**
 * What has a table of its own on a site: content types, taxonomies and site values, with shared groups and choice lists in
 * their places. Uses model and edit.
 */
package org.jontrel.core.recordtype;
