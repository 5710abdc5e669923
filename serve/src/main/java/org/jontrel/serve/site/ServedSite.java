package org.jontrel.serve.site;

/** A site as visitors and programs know it. */
public interface ServedSite {
    /** The last part of its address. */
    String path();

    /** What people call it. */
    String name();

    SiteSettings settings();

    /** A site of which no more is known. */
    record NamedSite(String path, String name, SiteSettings settings) implements ServedSite {}
}
