/** Values as people write them in texts: numbers, measures, dates, yes and no. What can be read in two ways is not read. */
package org.jontrel.core.spelling;
