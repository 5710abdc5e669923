/** Which kind of values a column holds, and how it would do as another. */
package org.jontrel.core.propose.kind;
