/** Types, runtime checks and a client in TypeScript. */
package org.jontrel.core.generate.typescript;
