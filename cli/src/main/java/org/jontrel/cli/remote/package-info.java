/** Commands that talk to a server with a token: a folder of definitions on one side, a workspace and its sites on the other. */
package org.jontrel.cli.remote;
