/** Values that change their place: from one to many and back, into and out of rows, from several fields into one. */
package org.jontrel.core.move;
