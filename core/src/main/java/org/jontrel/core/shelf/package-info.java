/** Packages that others are made of: which versions fit together, what they bring, and whether they are what they were. */
package org.jontrel.core.shelf;
