/**
 * The way of a site over several releases: which of them can be reached in one run, and which one by one. Uses code, model and
 * recordtype.
 */
package org.jontrel.core.stage;
