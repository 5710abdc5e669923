/** Turns around what a run did: the steps of its undo, and what is said of them. Uses the steps of plans. */
package org.jontrel.core.plan.undo;
