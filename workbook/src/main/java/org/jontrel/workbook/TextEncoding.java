package org.jontrel.workbook;

import com.ibm.icu.text.CharsetDetector;
import java.io.BufferedInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.ByteBuffer;
import java.nio.CharBuffer;
import java.nio.charset.Charset;
import java.nio.charset.CodingErrorAction;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;

/**
 * In which encoding a text is.
 *
 * @param mark bytes of a mark at its beginning that says so
 * @param guessed whether nothing in the text proves it
 */
record TextEncoding(Charset charset, int mark, boolean guessed) {
    private static final int SAMPLE = 1 << 16;
    private static final Charset WESTERN = Charset.forName("windows-1252");

    static TextEncoding of(Path file) throws IOException {
        byte[] start;
        try (InputStream in = Files.newInputStream(file)) {
            start = in.readNBytes(SAMPLE);
        }
        var marked = marked(start);
        if (marked != null) {
            return marked;
        }
        var wide = wide(start);
        if (wide != null) {
            return new TextEncoding(wide, 0, false);
        }
        return isUtf8(file) ? new TextEncoding(StandardCharsets.UTF_8, 0, false) : guessed(start);
    }

    private static TextEncoding marked(byte[] start) {
        if (begins(start, 0xEF, 0xBB, 0xBF)) {
            return new TextEncoding(StandardCharsets.UTF_8, 3, false);
        }
        if (begins(start, 0xFF, 0xFE)) {
            return new TextEncoding(StandardCharsets.UTF_16LE, 2, false);
        }
        return begins(start, 0xFE, 0xFF) ? new TextEncoding(StandardCharsets.UTF_16BE, 2, false) : null;
    }

    private static boolean begins(byte[] start, int... with) {
        for (int i = 0; i < with.length; i++) {
            if (i >= start.length || (start[i] & 0xFF) != with[i]) {
                return false;
            }
        }
        return true;
    }

    /** Two bytes a letter, of which one is mostly nothing. */
    private static Charset wide(byte[] start) {
        int even = 0;
        int odd = 0;
        for (int i = 0; i < start.length; i++) {
            if (start[i] == 0) {
                if (i % 2 == 0) {
                    even++;
                } else {
                    odd++;
                }
            }
        }
        int half = start.length / 4;
        return odd > half && even < odd / 8
                ? StandardCharsets.UTF_16LE
                : even > half && odd < even / 8 ? StandardCharsets.UTF_16BE : null;
    }

    /** Texts of another encoding are hardly ever this one by chance. */
    private static boolean isUtf8(Path file) throws IOException {
        var decoder = StandardCharsets.UTF_8
                .newDecoder()
                .onMalformedInput(CodingErrorAction.REPORT)
                .onUnmappableCharacter(CodingErrorAction.REPORT);
        var bytes = ByteBuffer.allocate(SAMPLE);
        var letters = CharBuffer.allocate(SAMPLE);
        try (InputStream in = new BufferedInputStream(Files.newInputStream(file))) {
            for (int read = 0; read >= 0; ) {
                read = in.read(bytes.array(), bytes.position(), bytes.remaining());
                bytes.position(bytes.position() + Math.max(0, read)).flip();
                letters.clear();
                if (decoder.decode(bytes, letters, read < 0).isError()) {
                    return false;
                }
                bytes.compact();
            }
            return true;
        }
    }

    private static TextEncoding guessed(byte[] start) {
        var found = new CharsetDetector().setText(start).detect();
        var name = found == null ? "" : found.getName();
        boolean western = name.isEmpty()
                || name.equals("ISO-8859-1")
                || name.startsWith("UTF-")
                || name.startsWith("IBM4")
                || !Charset.isSupported(name)
                || found.getConfidence() < 20;
        return new TextEncoding(western ? WESTERN : Charset.forName(name), 0, true);
    }
}
