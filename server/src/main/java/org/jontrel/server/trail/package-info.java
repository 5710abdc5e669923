/** The trail: who did what that matters for the safety of an installation, when, and from where. */
package org.jontrel.server.trail;
