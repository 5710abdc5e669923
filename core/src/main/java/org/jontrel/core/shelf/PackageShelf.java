package org.jontrel.core.shelf;

import java.io.IOException;
import java.util.List;
import org.jontrel.core.code.ModelPackage;

/** A shelf from which packages can be taken. */
public interface PackageShelf extends Shelf {
    /** The packages that lie there. */
    List<String> names() throws IOException;

    /** @throws IOException where it cannot be had, or is not what was published */
    ShelvedPackage take(String name, String version) throws IOException;

    /**
     * @param file a zip
     * @param content what it holds
     * @param key of the shelf that signed it; empty where it has none
     */
    record ShelvedPackage(byte[] file, ModelPackage content, String key) {}
}
