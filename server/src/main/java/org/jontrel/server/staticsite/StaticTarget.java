package org.jontrel.server.staticsite;

import java.io.IOException;
import java.io.InputStream;

/** Where the files of a site go. */
interface StaticTarget {
    /** @param path with slashes, below the folder of the site */
    void write(String path, InputStream bytes) throws IOException;
}
