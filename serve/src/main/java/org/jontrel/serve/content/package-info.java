/**
 * The content API of sites: what programs read of published records. Uses site and record.
 */
package org.jontrel.serve.content;
