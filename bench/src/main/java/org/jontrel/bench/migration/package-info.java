/** Runs on sites with many records, beside the same statements written by hand. */
package org.jontrel.bench.migration;
