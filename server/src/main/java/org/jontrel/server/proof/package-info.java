/**
 * What a definition makes while it is typed: form, page, index, API answer, code. Nothing is stored. Uses workspace and publicsite.
 */
package org.jontrel.server.proof;
