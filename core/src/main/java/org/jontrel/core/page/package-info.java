/**
 * Pages computed from layouts and values: which layout a record gets and why, what must be read for it, and the tree of
 * nodes that stands on the page. Uses the model, conditions and values; knows neither HTML nor a database.
 */
package org.jontrel.core.page;
