package org.jontrel.core.page.node;

import java.util.Optional;

/** The ink that reads better on a colour, and how well (WCAG 2.2, relative luminance and contrast ratio). */
public final class ReadableInk {
    private static final String BLACK = "#000000";
    private static final String WHITE = "#ffffff";
    private static final double FLARE = 0.05;

    private ReadableInk() {}

    /** Black or white; empty for what is no colour of the form {@code #rrggbb}. */
    public static Optional<String> on(String colour) {
        return isColour(colour)
                ? Optional.of(contrast(colour, BLACK) >= contrast(colour, WHITE) ? BLACK : WHITE)
                : Optional.empty();
    }

    public static boolean isColour(String text) {
        return text.matches("#[0-9a-fA-F]{6}");
    }

    /** From 1, the same, to 21, black on white. */
    public static double contrast(String a, String b) {
        double x = luminance(a) + FLARE;
        double y = luminance(b) + FLARE;
        return Math.max(x, y) / Math.min(x, y);
    }

    private static double luminance(String colour) {
        return 0.2126 * linear(colour, 1) + 0.7152 * linear(colour, 3) + 0.0722 * linear(colour, 5);
    }

    private static double linear(String colour, int at) {
        double part = Integer.parseInt(colour.substring(at, at + 2), 16) / 255.0;
        return part <= 0.04045 ? part / 12.92 : Math.pow((part + 0.055) / 1.055, 2.4);
    }
}
