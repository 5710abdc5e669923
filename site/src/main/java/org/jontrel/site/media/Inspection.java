package org.jontrel.site.media;

import java.io.BufferedInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import javax.imageio.ImageIO;
import net.coobird.thumbnailator.Thumbnails;
import org.apache.tika.Tika;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.finding.Place;

/** What uploaded bytes really are, and smaller pictures made from them. */
final class Inspection {
    /** Widths that pictures are derived in, in pixels: pages ask for one, screens twice as dense for the next. */
    static final List<Integer> WIDTHS = List.of(240, 480, 960, 1920);

    private static final long MOST_PIXELS = 60_000_000;
    private static final List<String> PICTURES = List.of("jpeg", "png", "gif", "webp");
    private static final Map<String, String> ENDINGS = Map.ofEntries(
            Map.entry("image/jpeg", "jpeg"),
            Map.entry("image/svg+xml", "svg"),
            Map.entry("application/pdf", "pdf"),
            Map.entry("text/plain", "txt"),
            Map.entry("text/csv", "csv"),
            Map.entry("text/html", "html"),
            Map.entry("application/xml", "xml"),
            Map.entry("application/zip", "zip"),
            Map.entry("application/msword", "doc"),
            Map.entry("application/vnd.ms-excel", "xls"),
            Map.entry("application/vnd.oasis.opendocument.text", "odt"),
            Map.entry("application/vnd.oasis.opendocument.spreadsheet", "ods"),
            Map.entry("application/vnd.openxmlformats-officedocument.wordprocessingml.document", "docx"),
            Map.entry("application/vnd.openxmlformats-officedocument.spreadsheetml.sheet", "xlsx"),
            Map.entry("application/gpx+xml", "gpx"),
            Map.entry("audio/mpeg", "mp3"),
            Map.entry("video/mp4", "mp4"));
    private static final int KEPT_PIXELS = 4_000_000;
    private static final Tika TIKA = new Tika();

    private Inspection() {}

    /**
     * @param format ending of what it is; empty where it is refused
     * @param width 0 for what is no picture
     */
    record Inspected(String format, int width, int height, Optional<Finding> finding) {
        private static Inspected refused(Code code, Object... arguments) {
            return new Inspected("", 0, 0, Optional.of(Finding.of(code, Place.NOWHERE, arguments)));
        }
    }

    /** A file that need not be a picture. */
    static Inspected file(String name, Bytes bytes) throws IOException {
        var type = detected(name, bytes);
        if (type.startsWith("image/") && PICTURES.contains(type.substring(6))) {
            var picture = picture(name, bytes);
            if (picture.finding().isEmpty()) {
                return picture;
            }
        }
        var ending = ENDINGS.getOrDefault(type, type.substring(type.indexOf('/') + 1));
        var plain = ending.replaceAll("[^a-z0-9]", "");
        return new Inspected(
                plain.isEmpty() ? "bin" : plain.substring(0, Math.min(plain.length(), 16)), 0, 0, Optional.empty());
    }

    private static String detected(String name, Bytes bytes) throws IOException {
        try (var in = new BufferedInputStream(bytes.open())) {
            return TIKA.detect(in, name).toLowerCase(Locale.ROOT);
        }
    }

    /** Format and size from the header, then the whole picture decoded, so that a cut-off or false one is refused. */
    static Inspected picture(String name, Bytes bytes) {
        try (var stream = bytes.open();
                var in = ImageIO.createImageInputStream(stream)) {
            var readers = ImageIO.getImageReaders(in);
            if (!readers.hasNext()) {
                return Inspected.refused(Code.IMAGE_NOT_A_PICTURE, name);
            }
            var reader = readers.next();
            try {
                var format = reader.getFormatName().toLowerCase(Locale.ROOT);
                reader.setInput(in);
                int width = reader.getWidth(0);
                int height = reader.getHeight(0);
                if (!PICTURES.contains(format)) {
                    return Inspected.refused(Code.IMAGE_NOT_A_PICTURE, name);
                }
                if ((long) width * height > MOST_PIXELS) {
                    return Inspected.refused(
                            Code.IMAGE_TOO_MANY_PIXELS,
                            name,
                            (long) width * height / 1_000_000,
                            MOST_PIXELS / 1_000_000);
                }
                // all of it is decoded, but not kept: a small file may hold a very large picture
                int step = 1 + (int) Math.sqrt((double) width * height / KEPT_PIXELS);
                var thinned = reader.getDefaultReadParam();
                thinned.setSourceSubsampling(step, step, 0, 0);
                reader.read(0, thinned);
                return new Inspected(format, width, height, Optional.empty());
            } finally {
                reader.dispose();
            }
        } catch (IOException | RuntimeException _) {
            return Inspected.refused(Code.IMAGE_NOT_A_PICTURE, name);
        }
    }

    /** The picture in another width, as JPEG or, where it may be seen through, as PNG. */
    static byte[] derived(Bytes bytes, String format, int width) throws IOException {
        var out = new ByteArrayOutputStream();
        try (var in = bytes.open()) {
            Thumbnails.of(in)
                    .width(width)
                    .outputFormat(derivedFormat(format))
                    .outputQuality(0.82)
                    .toOutputStream(out);
        }
        return out.toByteArray();
    }

    static String derivedFormat(String format) {
        return format.equals("jpeg") ? "jpeg" : "png";
    }
}
