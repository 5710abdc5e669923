package org.jontrel.core.page.look;

import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.jontrel.core.model.Look;
import org.jontrel.core.page.node.ReadableInk;

/** The colours of a look, and what derives from them. */
public final class LookColours {
    /** Least contrast of text to its ground at level AA (WCAG 2.2, success criterion 1.4.3). */
    public static final double LEAST = 4.5;

    private static final int STEPS = 100;

    private LookColours() {}

    /** A colour by its name in files. */
    public record NamedColour(String name, String colour) {}

    /** All six, in the order in which people set them. */
    public static List<NamedColour> all(Look.Palette colours) {
        return List.of(
                new NamedColour("ground", colours.ground()),
                new NamedColour("text", colours.text()),
                new NamedColour("quiet", colours.quiet()),
                new NamedColour("link", colours.link()),
                new NamedColour("band", colours.band()),
                new NamedColour("highlight", colours.highlight()));
    }

    /** Those that are read on the ground. */
    public static List<NamedColour> inks(Look.Palette colours) {
        return all(colours).subList(1, 4);
    }

    /**
     * The nearest shade of a colour, towards black or white, that can be read on a ground.
     *
     * @return the colour itself where it can be read
     */
    public static String readable(String colour, String ground) {
        var towards = ReadableInk.on(ground).orElse("#000000");
        return IntStream.rangeClosed(0, STEPS)
                .mapToObj(step -> mixed(colour, towards, (double) step / STEPS))
                .filter(shade -> ReadableInk.contrast(shade, ground) >= LEAST)
                .findFirst()
                .orElse(towards);
    }

    /** @param share of the second colour, from 0 to 1 */
    static String mixed(String a, String b, double share) {
        var text = new StringBuilder("#");
        for (int at = 1; at < 7; at += 2) {
            int from = Integer.parseInt(a.substring(at, at + 2), 16);
            int to = Integer.parseInt(b.substring(at, at + 2), 16);
            text.append(String.format("%02x", Math.round(from + (to - from) * share)));
        }
        return text.toString();
    }

    /** A palette with usual colours in place of what is none. */
    static Look.Palette valid(Look.Palette colours) {
        var usual = Look.Palette.USUAL;
        return new Look.Palette(
                colour(colours.ground(), usual.ground()),
                colour(colours.text(), usual.text()),
                colour(colours.quiet(), usual.quiet()),
                colour(colours.link(), usual.link()),
                colour(colours.band(), usual.band()),
                colour(colours.highlight(), usual.highlight()));
    }

    private static String colour(String colour, String usual) {
        return Optional.of(colour).filter(ReadableInk::isColour).orElse(usual);
    }
}
