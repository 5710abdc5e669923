package org.jontrel.standalone;

import org.semver4j.Semver;

/** Which of two versions is the later. */
final class Versions {
    private Versions() {}

    /** Below zero where the first is the earlier; what is installed need not be a version at all, and is before all then. */
    static int compare(String version, String installed) {
        return Semver.isValid(installed) ? new Semver(version).compareTo(new Semver(installed)) : 1;
    }
}
