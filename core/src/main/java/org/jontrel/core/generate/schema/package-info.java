/** JSON Schemas of what the content API gives and takes. */
package org.jontrel.core.generate.schema;
