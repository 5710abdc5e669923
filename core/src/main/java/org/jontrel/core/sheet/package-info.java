/** Tables as workbooks hold them, and what their columns are seen to hold; nothing here knows of files or of models. */
package org.jontrel.core.sheet;
