package org.jontrel.core.page.look;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;
import org.jontrel.core.model.Look;

/** The looks that come with the application: to be used as they are, or to begin one's own with. */
public enum ShippedLook {
    PLAIN(new Look(
            "",
            "plain",
            "Plain",
            "White, clear letters, a dark band above: for sites that should get out of the way.",
            Look.Typeface.HYPERLEGIBLE,
            Look.Typeface.HYPERLEGIBLE,
            Look.USUAL_SIZE,
            Look.HeadingScale.CLEAR,
            Look.Palette.USUAL,
            Look.Corners.SOFT,
            Look.Spacing.NORMAL,
            Look.PageWidth.MEDIUM,
            Look.HeaderForm.BAND,
            "",
            List.of(),
            List.of(),
            "")),
    BROADSHEET(new Look(
            "",
            "broadsheet",
            "Broadsheet",
            "Book letters on warm white, everything in the middle, square corners: for sites that are read.",
            Look.Typeface.LITERATA,
            Look.Typeface.FRAUNCES,
            19,
            Look.HeadingScale.LOUD,
            new Look.Palette("#fbf7ef", "#2a2420", "#6b5d50", "#7a2e1d", "#3a2f28", "#c8553d"),
            Look.Corners.SQUARE,
            Look.Spacing.AIRY,
            Look.PageWidth.NARROW,
            Look.HeaderForm.CENTRED,
            "",
            List.of(),
            List.of(),
            "")),
    NIGHT(new Look(
            "",
            "night",
            "Night",
            "Light letters on deep blue, round corners, wide: for collections with many pictures.",
            Look.Typeface.WORK_SANS,
            Look.Typeface.WORK_SANS,
            17,
            Look.HeadingScale.CALM,
            new Look.Palette("#10182a", "#e8ecf4", "#a9b4c8", "#8ec7ff", "#1c2a47", "#ffb86b"),
            Look.Corners.ROUND,
            Look.Spacing.CLOSE,
            Look.PageWidth.WIDE,
            Look.HeaderForm.PLAIN,
            "",
            List.of(),
            List.of(),
            ""));

    private final Look look;

    ShippedLook(Look look) {
        this.look = look;
    }

    /** Without an id: it is in no model. */
    public Look look() {
        return look;
    }

    public String code() {
        return name().toLowerCase(Locale.ROOT);
    }

    public static Optional<ShippedLook> of(String code) {
        return Stream.of(values()).filter(each -> each.code().equals(code)).findFirst();
    }
}
