/**
 * Connections to the database server, and whether it can be reached at all. Uses no other feature.
 */
package org.jontrel.serve.database;
