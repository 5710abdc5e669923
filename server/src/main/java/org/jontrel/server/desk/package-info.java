/**
 * Edits of the modelling desk, each answered with all that the desk shows of it. Uses workspace, proof and site.
 */
package org.jontrel.server.desk;
