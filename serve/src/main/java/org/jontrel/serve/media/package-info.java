/** The bytes of pictures and files, and who may have them. Uses site, web. */
package org.jontrel.serve.media;
