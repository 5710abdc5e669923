package org.jontrel.core.code;

import java.util.List;
import org.jontrel.core.shape.PackageLimits;

/** What a package says of itself. */
public record Manifest(
        int format,
        String name,
        String version,
        String title,
        List<String> authors,
        String licence,
        String description,
        List<Requirement> requires,
        String checksum) {
    public Manifest {
        authors = List.copyOf(authors);
        requires = List.copyOf(requires);
    }

    /** A package in the present format that needs no other. */
    public static Manifest of(
            String name, String version, String title, List<String> authors, String licence, String description) {
        return new Manifest(PackageLimits.FORMAT, name, version, title, authors, licence, description, List.of(), "");
    }

    public Manifest withChecksum(String newChecksum) {
        return new Manifest(
                PackageLimits.FORMAT, name, version, title, authors, licence, description, requires, newChecksum);
    }

    public Manifest with(List<String> newAuthors, List<Requirement> newRequires) {
        return new Manifest(format, name, version, title, newAuthors, licence, description, newRequires, checksum);
    }
}
