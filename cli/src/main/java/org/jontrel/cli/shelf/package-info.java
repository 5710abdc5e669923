/** Commands about packages that others are made of: shelves, what is taken from them, and whether it is what it was. */
package org.jontrel.cli.shelf;
