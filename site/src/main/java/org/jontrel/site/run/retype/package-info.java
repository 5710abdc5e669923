/** Writes records of one content type as those of another, and takes what was entered since back when that is undone. */
package org.jontrel.site.run.retype;
