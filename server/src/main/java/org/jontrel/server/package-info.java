/**
 * The application: starts the features below.
 */
package org.jontrel.server;
