/**
 * Plans carried out: facts, journal, lease, execution, resuming, undo. Uses table and core's plan.
 */
package org.jontrel.site.run;
