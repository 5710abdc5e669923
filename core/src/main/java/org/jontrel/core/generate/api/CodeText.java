package org.jontrel.core.generate.api;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;

/** Texts that go into code. */
public final class CodeText {
    private CodeText() {}

    /** A label on one line. */
    public static String line(String label) {
        return label.replaceAll("\\s+", " ").strip();
    }

    /** A file that is the same for all models, from beside a class. */
    public static String resource(Class<?> beside, String name) {
        try (InputStream source = beside.getResourceAsStream(name)) {
            return new String(source.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
