/** Records over HTTP: what they lead to, and what is answered when they are saved. Uses web. */
package org.jontrel.serve.record;
