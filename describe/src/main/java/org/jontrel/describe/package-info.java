/**
 * A model as a document for people who do not work with it: a data dictionary as HTML or Markdown, and a picture of how
 * everything hangs together. Uses core; knows no web, database or interface.
 */
package org.jontrel.describe;
