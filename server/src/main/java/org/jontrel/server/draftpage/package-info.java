/** Pages that nobody has published: of drafts, of made-up records, of a record as it is being typed. Uses site. */
package org.jontrel.server.draftpage;
