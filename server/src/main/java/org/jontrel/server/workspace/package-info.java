/**
 * Workspaces and their drafts, with undo and redo. Uses core, and release for what a draft is compared with.
 */
package org.jontrel.server.workspace;
