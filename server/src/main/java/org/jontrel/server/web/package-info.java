/**
 * What all features share over HTTP: errors, findings, the front end's files. Uses no other feature.
 */
package org.jontrel.server.web;
