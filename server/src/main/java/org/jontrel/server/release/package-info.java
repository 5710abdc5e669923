/**
 * Immutable snapshots of models, their decisions, and packages in and out. Uses core.
 */
package org.jontrel.server.release;
