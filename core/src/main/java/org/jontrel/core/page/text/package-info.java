/** Formatted texts that hold values and listings, as HTML: words in the places of the values, and the listings between. */
@NullMarked
package org.jontrel.core.page.text;

import org.jspecify.annotations.NullMarked;
