/**
 * The pages that visitors of a site read. Uses site.
 */
package org.jontrel.serve.publicsite;
