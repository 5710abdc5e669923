/**
 * Looks of sites: those that come with the application, what their colours are held to, and the style sheet that they give.
 * Rules of somebody's own are read by a parser and written anew.
 */
@NullMarked
package org.jontrel.core.page.look;

import org.jspecify.annotations.NullMarked;
