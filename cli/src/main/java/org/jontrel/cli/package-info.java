/** The command line over core: one class a command. Results go to standard output, everything else to standard error. */
package org.jontrel.cli;
