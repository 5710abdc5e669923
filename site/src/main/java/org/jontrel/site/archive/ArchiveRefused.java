package org.jontrel.site.archive;

/** Why no archive comes of a site, or no site of an archive, in a sentence. */
public final class ArchiveRefused extends RuntimeException {
    private static final long serialVersionUID = 1;

    public ArchiveRefused(String sentence) {
        super(sentence);
    }

    ArchiveRefused(String sentence, Throwable cause) {
        super(sentence, cause);
    }
}
