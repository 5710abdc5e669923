package org.jontrel.core.code;

import java.util.List;
import java.util.SortedMap;
import java.util.TreeMap;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.finding.Place;
import org.jontrel.core.shape.PackageLimits;

/** The files of a package as they come in, with their sizes added up, so that reading stops at the limits. */
final class CollectedFiles {
    final SortedMap<String, byte[]> byName = new TreeMap<>();
    private final List<Finding> findings;
    private long total;
    private long leftOut;

    CollectedFiles(List<Finding> findings) {
        this.findings = findings;
    }

    boolean room(long more) {
        total += more;
        if (byName.size() >= PackageLimits.FILES || total > PackageLimits.PACKAGE_BYTES) {
            var what = total > PackageLimits.PACKAGE_BYTES ? "bytes" : "files";
            var limit = total > PackageLimits.PACKAGE_BYTES ? PackageLimits.PACKAGE_BYTES : PackageLimits.FILES;
            findings.add(Finding.of(Code.PACKAGE_TOO_LARGE, Place.NOWHERE, limit, what));
            byName.clear();
            return false;
        }
        return true;
    }

    /** Whether so many bytes of files that are left out can still be passed by. */
    boolean passed(long more) {
        leftOut += more;
        if (leftOut > PackageLimits.PACKAGE_BYTES) {
            findings.add(Finding.of(Code.PACKAGE_TOO_LARGE, Place.NOWHERE, PackageLimits.PACKAGE_BYTES, "bytes"));
            byName.clear();
            return false;
        }
        return true;
    }

    void add(String name, byte[] content) {
        if (byName.putIfAbsent(name, content) != null) {
            findings.add(Finding.of(Code.ARCHIVE_NAME_TWICE, Place.file(name), name));
        }
    }
}
