/** How fast public pages are served to many readers at once, beside a handler written for one site by hand. */
package org.jontrel.bench.serve;
