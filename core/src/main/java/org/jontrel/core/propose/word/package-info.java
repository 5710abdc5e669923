/** What the words of a workbook say: headers, names of sheets, spellings of one word. */
package org.jontrel.core.propose.word;
