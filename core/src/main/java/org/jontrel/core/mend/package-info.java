/** Mends models as findings say. Uses the checks and the form of definitions. */
package org.jontrel.core.mend;
