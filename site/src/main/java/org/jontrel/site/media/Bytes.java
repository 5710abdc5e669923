package org.jontrel.site.media;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;

/** The bytes of a file, read as often as one likes and never held whole. */
public interface Bytes {
    long size();

    /** From the first on; whoever opens it closes it. */
    InputStream open() throws IOException;

    static Bytes of(byte[] bytes) {
        return new Bytes() {
            @Override
            public long size() {
                return bytes.length;
            }

            @Override
            public InputStream open() {
                return new ByteArrayInputStream(bytes);
            }
        };
    }

    /** Those of a file, which must stay as it is. */
    static Bytes of(Path file) throws IOException {
        long size = Files.size(file);
        return new Bytes() {
            @Override
            public long size() {
                return size;
            }

            @Override
            public InputStream open() throws IOException {
                return Files.newInputStream(file);
            }
        };
    }
}
