/**
 * Groups made shared and made a definition's own, so that the model stays releasable. Uses model, edit, finding and check.
 */
package org.jontrel.core.regroup;
