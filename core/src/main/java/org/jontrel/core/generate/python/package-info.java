/** Dataclasses and a client in Python. */
package org.jontrel.core.generate.python;
