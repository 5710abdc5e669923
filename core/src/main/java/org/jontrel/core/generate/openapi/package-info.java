/** The content API of a model as OpenAPI 3.1, with or without a server. */
package org.jontrel.core.generate.openapi;
