/** How long work may take. */
package org.jontrel.core.work;
