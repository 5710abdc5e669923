package org.jontrel.core.code;

/** What a package may have at most; anything above is a finding, never a slow machine. */
public final class Limits {
    public static final int FILE_BYTES = 1 << 20;
    public static final int PACKAGE_BYTES = 64 << 20;
    public static final int FILES = 5_000;
    public static final int DEPTH = 24;
    public static final int NODES = 200_000;
    public static final int FORMAT = 1;

    private Limits() {}
}
