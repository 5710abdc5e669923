package org.jontrel.core.shape;

/** What a package may have at most; anything above is a finding, never a slow machine. */
public final class PackageLimits {
    /** Bytes of one file. */
    public static final int FILE_BYTES = 1 << 20;
    /** Bytes of all files together, unpacked. */
    public static final int PACKAGE_BYTES = 64 << 20;
    /** Files of a package. */
    public static final int FILES = 5_000;
    /** Levels of lists and sets of properties within one another. */
    public static final int DEPTH = 40;
    /** Values in one file. */
    public static final int NODES = 200_000;
    /** Characters of one name of a property. */
    public static final int NAME = 200;
    /** The format that is written; older ones are upgraded on reading. */
    public static final int FORMAT = 3;

    private PackageLimits() {}
}
