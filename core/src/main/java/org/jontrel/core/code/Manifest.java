package org.jontrel.core.code;

import java.util.List;

/** What a package says of itself. */
public record Manifest(
        int format,
        String name,
        String version,
        String title,
        List<String> authors,
        String licence,
        String description,
        String checksum) {
    public Manifest {
        authors = List.copyOf(authors);
    }

    Manifest withChecksum(String newChecksum) {
        return new Manifest(format, name, version, title, authors, licence, description, newChecksum);
    }
}
