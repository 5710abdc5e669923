/** What the content API of a model gives and takes, as all targets that talk to it see it. */
package org.jontrel.core.generate.api;
