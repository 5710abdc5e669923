/** A whole site in one file: written while people work, checked whole before anything of it is used, restored to equality. */
package org.jontrel.site.archive;
