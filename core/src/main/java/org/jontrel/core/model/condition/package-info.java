/** When something is shown and which records are meant: one small structure everywhere. Uses nothing of the other packages. */
package org.jontrel.core.model.condition;
