/** Code for other programs, made of a model: one package for each target. The same model gives the same bytes. */
package org.jontrel.core.generate;
