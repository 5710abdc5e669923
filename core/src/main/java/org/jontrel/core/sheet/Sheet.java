package org.jontrel.core.sheet;

import java.io.IOException;
import java.util.function.Consumer;

/** A table of a workbook, read as a stream as often as it is asked for. */
public interface Sheet {
    /** Name of the file, without the folders above it. */
    String file();

    /** Name of the sheet; that of the file without its ending where a file holds one table. */
    String name();

    /** Whether the program that wrote it does not show it. */
    boolean hidden();

    /** Gives every row that is not empty, in order. */
    void read(Consumer<SheetRow> rows) throws IOException;
}
