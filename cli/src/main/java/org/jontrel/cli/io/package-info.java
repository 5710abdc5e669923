/** What all commands read and write with: packages wherever they lie, folders as one step, findings as text and JSON. */
package org.jontrel.cli.io;
