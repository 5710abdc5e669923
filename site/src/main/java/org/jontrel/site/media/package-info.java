/**
 * Uploaded pictures and other files: what they really are, and their bytes. Uses table and core's values.
 */
package org.jontrel.site.media;
