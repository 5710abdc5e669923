/**
 * Edits of models that are more than setting one property: copies, pasted terms, where
 * things are used. Each gives a new model. Uses model, shape and code.
 */
package org.jontrel.core.edit;
