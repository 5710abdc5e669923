package org.jontrel.core.page.look;

import java.util.Locale;
import org.jontrel.core.model.Look;
import org.jontrel.core.page.node.ReadableInk;

/** The style sheet of a look: values that the sheet of all sites uses, and rules of somebody's own. */
public final class LookStyle {
    private static final double PIXELS = 16;
    private static final double LINE_SHARE = 0.2;
    private static final double SHADE_SHARE = 0.08;
    private static final double DARK = 3;

    private LookStyle() {}

    /** As CSS; what is wrong with a look is left out of it. */
    public static String css(Look look) {
        var colours = LookColours.valid(look.colours());
        var css = new StringBuilder(":root {\n");
        add(css, "ground", colours.ground());
        add(css, "text", colours.text());
        add(css, "quiet", colours.quiet());
        add(css, "link", colours.link());
        add(css, "band", colours.band());
        add(css, "on-band", ink(colours.band()));
        add(css, "highlight", colours.highlight());
        add(css, "on-highlight", ink(colours.highlight()));
        add(css, "line", LookColours.mixed(colours.ground(), colours.text(), LINE_SHARE));
        add(css, "shade", LookColours.mixed(colours.ground(), colours.text(), SHADE_SHARE));
        add(css, "text-face", face(look.text()));
        add(css, "heading-face", face(look.headings()));
        add(css, "size", String.format(Locale.ROOT, "%.4grem", look.size() / PIXELS));
        scale(css, look.scale());
        corners(css, look.corners());
        spacing(css, look.spacing());
        add(css, "width", width(look.width()));
        css.append("  color-scheme: ")
                .append(ReadableInk.contrast(colours.ground(), "#000000") < DARK ? "dark" : "light")
                .append(";\n}\n");
        return css.append(OwnStyle.of(look.style()).css()).toString();
    }

    private static void add(StringBuilder css, String name, String value) {
        css.append("  --").append(name).append(": ").append(value).append(";\n");
    }

    private static String ink(String ground) {
        return ReadableInk.on(ground).orElseThrow();
    }

    /** The family as its files name it, and what stands in until it is there. */
    static String face(Look.Typeface face) {
        return switch (face) {
            case HYPERLEGIBLE -> "\"Atkinson Hyperlegible Next Variable\", Verdana, \"DejaVu Sans\", sans-serif";
            case WORK_SANS -> "\"Work Sans Variable\", Arial, \"DejaVu Sans\", sans-serif";
            case LITERATA -> "\"Literata Variable\", Georgia, \"DejaVu Serif\", serif";
            case SOURCE_SERIF -> "\"Source Serif 4 Variable\", Georgia, \"DejaVu Serif\", serif";
            case BITTER -> "\"Bitter Variable\", Rockwell, \"DejaVu Serif\", serif";
            case FRAUNCES -> "\"Fraunces Variable\", Georgia, \"DejaVu Serif\", serif";
        };
    }

    private static void scale(StringBuilder css, Look.HeadingScale scale) {
        var sizes =
                switch (scale) {
                    case CALM -> new String[] {"1.75", "1.25", "1.1"};
                    case CLEAR -> new String[] {"2.1", "1.4", "1.15"};
                    case LOUD -> new String[] {"3", "1.7", "1.2"};
                };
        for (int level = 0; level < sizes.length; level++) {
            add(css, "h" + (level + 1), sizes[level] + "em");
        }
    }

    private static void corners(StringBuilder css, Look.Corners corners) {
        var radii =
                switch (corners) {
                    case SQUARE -> new String[] {"0", "0", "0"};
                    case SOFT -> new String[] {".3rem", ".6rem", "1rem"};
                    case ROUND -> new String[] {".75rem", "1.25rem", "2rem"};
                };
        add(css, "corner", radii[0]);
        add(css, "picture-corner", radii[1]);
        add(css, "label-corner", radii[2]);
    }

    private static void spacing(StringBuilder css, Look.Spacing spacing) {
        var values =
                switch (spacing) {
                    case CLOSE -> new String[] {"1.45", ".75"};
                    case NORMAL -> new String[] {"1.6", "1"};
                    case AIRY -> new String[] {"1.75", "1.4"};
                };
        add(css, "line-height", values[0]);
        add(css, "space", values[1] + "rem");
    }

    private static String width(Look.PageWidth width) {
        return switch (width) {
            case NARROW -> "46rem";
            case MEDIUM -> "60rem";
            case WIDE -> "76rem";
        };
    }
}
