/** The content of a model as a GraphQL schema. */
package org.jontrel.core.generate.graphql;
