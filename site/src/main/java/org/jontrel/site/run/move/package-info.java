/** Values that change their place, read from and written into tables. */
package org.jontrel.site.run.move;
