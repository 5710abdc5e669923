/**
 * Uploaded pictures: what they really are, and their bytes. Uses table and core's values.
 */
package org.jontrel.site.media;
