package org.jontrel.core.shelf;

import java.util.List;
import org.jontrel.core.code.Requirement;

/** Where released packages lie. */
public interface Shelf {
    /** The versions of a package, in any order; none where there is no such package. */
    List<ShelvedVersion> versions(String name);

    /** @param requires what it needs itself */
    record ShelvedVersion(String version, List<Requirement> requires) {
        public ShelvedVersion {
            requires = List.copyOf(requires);
        }
    }
}
