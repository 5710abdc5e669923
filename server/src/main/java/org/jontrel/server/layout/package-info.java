/**
 * Pages laid out beside the real page: what blocks can show, what is derived, and how a layout of a draft looks with the
 * records of a site. Uses workspace, site and publicsite.
 */
package org.jontrel.server.layout;
