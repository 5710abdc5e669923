package org.jontrel.site.media;

import java.time.Instant;

/**
 * A picture or file of a site.
 *
 * @param format ending of what its bytes are, such as {@code jpeg} or {@code pdf}, whatever its name says
 * @param width in pixels; 0 for what is no picture
 * @param bytes of the file as it was uploaded
 * @param sha256 of its bytes, in hexadecimal
 * @param focusX what matters most in a picture, in hundredths of its width from the left
 * @param focusY and in hundredths of its height from the top
 */
public record StoredFile(
        long id,
        String format,
        int width,
        int height,
        long bytes,
        String name,
        String alt,
        String sha256,
        int focusX,
        int focusY,
        Instant createdAt,
        String createdBy) {
    public boolean picture() {
        return width > 0;
    }
}
