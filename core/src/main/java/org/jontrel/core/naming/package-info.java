/**
 * Keys, paths, ids, and everything that derives from one noun. Uses model.
 */
package org.jontrel.core.naming;
