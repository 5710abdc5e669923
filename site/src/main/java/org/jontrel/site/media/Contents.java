package org.jontrel.site.media;

import java.util.Optional;

/** Where the bytes of files are, by a name that follows from them; what is there is never changed. */
interface Contents {
    boolean has(String name);

    void put(String name, byte[] bytes);

    Optional<byte[]> get(String name);

    void remove(String name);
}
