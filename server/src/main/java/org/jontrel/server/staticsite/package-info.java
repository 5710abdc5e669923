/** Sites as folders of files that any web server shows: the public pages as they are, with links among the files. */
package org.jontrel.server.staticsite;
