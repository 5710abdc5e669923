/**
 * Fields from what people type and paste: a plain line, a list of names, rows of a spreadsheet. Everything is a proposal
 * with its reason, never made unasked. Uses model.
 */
package org.jontrel.core.infer;
