package org.jontrel.server.staticsite;

import java.nio.charset.StandardCharsets;
import java.util.HexFormat;
import java.util.zip.CRC32;

/** Which file each address of a site becomes. */
final class StaticNames {
    private static final String INDEX = "index.html";
    private static final int LONGEST = 60;

    private StaticNames() {}

    /**
     * The file of a page or feed.
     *
     * @param address below the site, decoded, with what is asked behind a question mark
     */
    static String page(String address) {
        int asked = address.indexOf('?');
        var path = asked < 0 ? address : address.substring(0, asked);
        if (path.endsWith(".xml") || path.endsWith(".txt")) {
            return safe(path);
        }
        var folder = path.isEmpty() || path.endsWith("/") ? path : path + "/";
        return safe(folder) + (asked < 0 ? INDEX : "list-" + asked(address.substring(asked + 1)) + ".html");
    }

    /** What is asked of a list, as people can read it, and a number that tells it apart. */
    private static String asked(String query) {
        var crc = new CRC32();
        crc.update(query.getBytes(StandardCharsets.UTF_8));
        var words = query.replaceAll("[^A-Za-z0-9]+", "-").replaceAll("^-|-$", "");
        return words.substring(0, Math.min(words.length(), LONGEST)) + "-"
                + HexFormat.of().toHexDigits((int) crc.getValue());
    }

    /** A name without what file systems and shells take for something else. */
    static String safe(String path) {
        return path.replaceAll("[^\\p{L}\\p{N}._/-]", "-").replace("..", "-");
    }

    /** The way from one file to another. */
    static String relative(String from, String to) {
        var way = new StringBuilder();
        var base = from.substring(0, from.lastIndexOf('/') + 1);
        while (!to.startsWith(base)) {
            way.append("../");
            base = base.substring(0, base.lastIndexOf('/', base.length() - 2) + 1);
        }
        return way + to.substring(base.length());
    }
}
