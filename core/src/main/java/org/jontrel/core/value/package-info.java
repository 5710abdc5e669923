/**
 * What values are made of that Java has no class for. Uses model.
 */
package org.jontrel.core.value;
