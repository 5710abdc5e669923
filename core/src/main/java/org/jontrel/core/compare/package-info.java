/**
 * What differs between two models, in the words of the model, its reach and the advised version. Uses model, shape and value.
 */
package org.jontrel.core.compare;
