package org.jontrel.core.code;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.shape.ReadContext;
import org.jontrel.core.yaml.NodeCache;

/** Which versions of other packages are in a folder: what {@code package.lock.yaml} says. */
public record PackageLock(List<LockedPackage> packages) {
    public static final String FILE = FileNames.LOCK;
    public static final PackageLock EMPTY = new PackageLock(List.of());

    public PackageLock {
        packages = List.copyOf(packages);
    }

    /**
     * @param checksum SHA-256 of the file of the package, as 64 hexadecimal digits
     * @param key of the shelf that signed it, in Base64; empty where it is not signed
     * @param prefix what its keys and addresses have before them here
     */
    public record LockedPackage(String name, String version, String checksum, String key, String prefix) {
        /** Where its file lies within the folder. */
        public String path() {
            return FileNames.ofShelved(name, version);
        }
    }

    public Optional<LockedPackage> find(String name) {
        return packages.stream().filter(each -> each.name().equals(name)).findFirst();
    }

    /** @param findings gets what is wrong with it, with its place */
    public static Optional<PackageLock> read(byte[] bytes, List<Finding> findings) {
        var found = new ArrayList<Finding>();
        var lock = new NodeCache()
                .read(FILE, bytes, found)
                .flatMap(node -> PackageShapes.LOCK.read(node, "lock", new ReadContext(found).in(FILE)));
        findings.addAll(found);
        return Finding.blocks(found) ? Optional.empty() : lock;
    }

    public byte[] write() {
        return new PackageFileWriter(Formatting.NONE, Map.of()).bytes(FILE, FILE, PackageShapes.LOCK, this);
    }
}
