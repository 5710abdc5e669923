package org.jontrel.server.staticsite;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;

/** The files of a site in one ZIP file, written as they come. */
final class ZipTarget implements StaticTarget, AutoCloseable {
    private final ZipOutputStream zip;
    private final String folder;

    ZipTarget(OutputStream out, String folder) {
        this.zip = new ZipOutputStream(out);
        this.folder = folder;
    }

    @Override
    public void write(String path, InputStream bytes) throws IOException {
        zip.putNextEntry(new ZipEntry(folder + "/" + path));
        bytes.transferTo(zip);
        zip.closeEntry();
    }

    @Override
    public void close() throws IOException {
        zip.close();
    }
}
