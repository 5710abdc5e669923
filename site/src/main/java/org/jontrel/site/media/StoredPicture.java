package org.jontrel.site.media;

/**
 * A picture of a site.
 *
 * @param format {@code jpeg}, {@code png} or {@code gif}
 * @param bytes of the file
 */
public record StoredPicture(long id, String format, int width, int height, long bytes, String name, String alt) {}
