/**
 * What a check, a reader or a plan has to say: a stable code, a place, arguments, and its sentence from the message bundle. Uses only the model's words.
 */
package org.jontrel.core.finding;
