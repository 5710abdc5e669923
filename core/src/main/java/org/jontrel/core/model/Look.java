package org.jontrel.core.model;

import java.util.List;
import java.util.Locale;
import org.jontrel.core.model.block.Block;

/**
 * How all pages of a site look: what stands around their blocks, and their letters, colours and sizes.
 *
 * @param text the typeface of running text; {@code headings} that of headings
 * @param size of running text, in pixels at the usual setting of browsers
 * @param tagline a text with values of the site, beside its name; empty for none
 * @param navigation where it leads, in order; empty for the types that are in the navigation
 * @param footer blocks that show values of the site; empty for its name alone
 * @param style rules of one's own, in CSS; see {@code core.page.look.OwnStyle} for what they may say
 */
public record Look(
        String id,
        String key,
        String title,
        String description,
        Typeface text,
        Typeface headings,
        int size,
        HeadingScale scale,
        Palette colours,
        Corners corners,
        Spacing spacing,
        PageWidth width,
        HeaderForm header,
        String tagline,
        List<NavigationLink> navigation,
        List<Block> footer,
        String style)
        implements Definition {
    public static final int USUAL_SIZE = 18;

    public Look {
        navigation = List.copyOf(navigation);
        footer = List.copyOf(footer);
    }

    @Override
    public String name() {
        return title;
    }

    public Look withNames(String newId, String newKey, String newTitle, String newDescription) {
        return new Look(
                newId,
                newKey,
                newTitle,
                newDescription,
                text,
                headings,
                size,
                scale,
                colours,
                corners,
                spacing,
                width,
                header,
                tagline,
                navigation,
                footer,
                style);
    }

    /** Typefaces that come with the application, all open and with letters of Latin scripts. */
    public enum Typeface {
        HYPERLEGIBLE,
        WORK_SANS,
        LITERATA,
        SOURCE_SERIF,
        BITTER,
        FRAUNCES;

        public String code() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    /** How far headings stand out. */
    public enum HeadingScale {
        CALM,
        CLEAR,
        LOUD;

        public String code() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    /** Corners of pictures, labels and buttons. */
    public enum Corners {
        SQUARE,
        SOFT,
        ROUND;

        public String code() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    /** How much room there is between lines and blocks. */
    public enum Spacing {
        CLOSE,
        NORMAL,
        AIRY;

        public String code() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    public enum PageWidth {
        NARROW,
        MEDIUM,
        WIDE;

        public String code() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    /** What the top of pages looks like. */
    public enum HeaderForm {
        /** A band of colour, the navigation below the name. */
        BAND,
        /** On the ground of the page, name and navigation in one line. */
        PLAIN,
        /** On the ground of the page, everything in the middle. */
        CENTRED;

        public String code() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    /**
     * Six colours, each as {@code #rrggbb}.
     *
     * @param ground of the page
     * @param text on the ground
     * @param quiet text that stands back, on the ground
     * @param link on the ground
     * @param band the ground of a header that is a band, and of buttons
     * @param highlight what catches the eye: lines below headers, notes, the search button
     */
    public record Palette(String ground, String text, String quiet, String link, String band, String highlight) {
        public static final Palette USUAL =
                new Palette("#ffffff", "#1f2328", "#57606a", "#0b5394", "#24435c", "#f2c14e");
    }

    /**
     * An entry of the navigation.
     *
     * @param to id of the content type or taxonomy whose index it leads to; empty where it leads to an address
     * @param address a whole address, or one below the site; empty where it leads to an index
     * @param label its words; those of the index where empty
     */
    public record NavigationLink(String to, String address, String label) {}
}
