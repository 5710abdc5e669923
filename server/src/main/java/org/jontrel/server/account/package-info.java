/**
 * People, their roles, sessions and the first set-up. Uses web.
 */
package org.jontrel.server.account;
