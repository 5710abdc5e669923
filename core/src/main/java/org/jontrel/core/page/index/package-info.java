/** The lists of a site's pages: what visitors ask of them, by what they narrow them, and how they are set. */
@NullMarked
package org.jontrel.core.page.index;

import org.jspecify.annotations.NullMarked;
