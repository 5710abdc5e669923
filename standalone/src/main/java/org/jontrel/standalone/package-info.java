/** One site served from a package of definitions and a database, without an editor. */
package org.jontrel.standalone;
