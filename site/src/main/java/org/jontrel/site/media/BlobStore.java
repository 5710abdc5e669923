package org.jontrel.site.media;

import java.io.IOException;
import java.util.Optional;

/** Where the bytes of files are, by a name that follows from them; what is there is never changed. */
interface BlobStore {
    boolean has(String name);

    /** All of them or none. */
    void put(String name, Bytes bytes) throws IOException;

    Optional<Bytes> get(String name);

    void remove(String name);
}
