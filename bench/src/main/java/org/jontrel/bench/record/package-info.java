/** A million records in three layouts: through the engine, by hand-written SQL on the same tables, one row per value. */
package org.jontrel.bench.record;
