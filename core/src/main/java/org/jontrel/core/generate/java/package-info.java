/** Records and a client of the content API in Java, on the JDK alone. */
package org.jontrel.core.generate.java;
