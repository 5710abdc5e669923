/**
 * Which things of two models are the same: keys for ids and ids for keys, ids for what was written without, and several
 * models brought under the same ids. Uses model, finding and shape.
 */
package org.jontrel.core.identity;
