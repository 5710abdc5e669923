/** Tokens with which commands and pipelines work on one workspace, each with no more rights than it was given. */
package org.jontrel.server.access;
