/** A model for what the sheets of a workbook hold: each part with its reason, each changed by what somebody chose instead. */
package org.jontrel.core.propose;
