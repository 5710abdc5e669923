/** A site for its visitors and for programs. Knows nobody who edits it. */
package org.jontrel.serve;
