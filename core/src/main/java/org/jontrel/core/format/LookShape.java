package org.jontrel.core.format;

import java.util.List;
import org.jontrel.core.model.Look;
import org.jontrel.core.shape.Composites;
import org.jontrel.core.shape.Mapper;
import org.jontrel.core.shape.ObjectShape;
import org.jontrel.core.shape.Scalars;
import org.jontrel.core.shape.Sense;
import org.jontrel.core.shape.Shape;

/** Looks in files. */
final class LookShape {
    private static final Shape<Look.Typeface> TYPEFACE = Scalars.word(Look.Typeface.class, Look.Typeface::code);

    private LookShape() {}

    private static final ObjectShape<Look.Palette> PALETTE = ObjectShape.<Look.Palette>of("palette")
            .named("palette")
            .optional(
                    "ground",
                    Scalars.TEXT,
                    Look.Palette::ground,
                    Look.Palette.USUAL.ground(),
                    Sense.FORM,
                    "The ground of pages, as #rrggbb like all of them.")
            .optional(
                    "text",
                    Scalars.TEXT,
                    Look.Palette::text,
                    Look.Palette.USUAL.text(),
                    Sense.FORM,
                    "Text on the ground.")
            .optional(
                    "quiet",
                    Scalars.TEXT,
                    Look.Palette::quiet,
                    Look.Palette.USUAL.quiet(),
                    Sense.FORM,
                    "Text that stands back, such as the names of facts.")
            .optional(
                    "link",
                    Scalars.TEXT,
                    Look.Palette::link,
                    Look.Palette.USUAL.link(),
                    Sense.FORM,
                    "Links on the ground.")
            .optional(
                    "band",
                    Scalars.TEXT,
                    Look.Palette::band,
                    Look.Palette.USUAL.band(),
                    Sense.FORM,
                    "The header where it is a band, and buttons; text on it is black or white, whichever reads better.")
            .optional(
                    "highlight",
                    Scalars.TEXT,
                    Look.Palette::highlight,
                    Look.Palette.USUAL.highlight(),
                    Sense.FORM,
                    "What catches the eye: the line below the header, notes, the search button.")
            .build(v -> new Look.Palette(
                    v.get("ground"), v.get("text"), v.get("quiet"), v.get("link"), v.get("band"), v.get("highlight")));

    private static final ObjectShape<Look.NavigationLink> LINK = ObjectShape.<Look.NavigationLink>of("navigation link")
            .named("navigation_link")
            .optional(
                    "to",
                    Scalars.reference(Mapper.ReferenceTarget.RECORDS),
                    Look.NavigationLink::to,
                    "",
                    Sense.FORM,
                    "The content type or taxonomy whose index it leads to.")
            .optional(
                    "address",
                    Scalars.TEXT,
                    Look.NavigationLink::address,
                    "",
                    Sense.FORM,
                    "Where else it leads: a whole address, or one on the site, such as locks/bottom-lock.")
            .optional(
                    "label",
                    Scalars.TEXT,
                    Look.NavigationLink::label,
                    "",
                    Sense.WORDING,
                    "Its words; those of the index when left out.")
            .build(v -> new Look.NavigationLink(v.get("to"), v.get("address"), v.get("label")));

    static final ObjectShape<Look> LOOK = ObjectShape.<Look>of("look")
            .id(Look::id)
            .key(Look::key)
            .labelled(Look::title)
            .required("title", Scalars.TEXT, Look::title, Sense.WORDING, "The name under which architects find it.")
            .optional("description", Scalars.TEXT, Look::description, "", Sense.WORDING, "What the look is for.")
            .optional(
                    "text",
                    TYPEFACE,
                    Look::text,
                    Look.Typeface.HYPERLEGIBLE,
                    Sense.FORM,
                    "The typeface of running text.")
            .optional(
                    "headings",
                    TYPEFACE,
                    Look::headings,
                    Look.Typeface.HYPERLEGIBLE,
                    Sense.FORM,
                    "The typeface of headings and of the site's name.")
            .optional(
                    "size",
                    Scalars.WHOLE_NUMBER,
                    Look::size,
                    Look.USUAL_SIZE,
                    Sense.FORM,
                    "The size of running text in pixels, from 14 to 24, for those who have not set another in their browser.")
            .optional(
                    "heading_sizes",
                    Scalars.word(Look.HeadingScale.class, Look.HeadingScale::code),
                    Look::scale,
                    Look.HeadingScale.CLEAR,
                    Sense.FORM,
                    "How far headings stand out.")
            .optional("colours", PALETTE, Look::colours, Look.Palette.USUAL, Sense.FORM, "The six colours of pages.")
            .optional(
                    "corners",
                    Scalars.word(Look.Corners.class, Look.Corners::code),
                    Look::corners,
                    Look.Corners.SOFT,
                    Sense.FORM,
                    "The corners of pictures, labels and buttons.")
            .optional(
                    "spacing",
                    Scalars.word(Look.Spacing.class, Look.Spacing::code),
                    Look::spacing,
                    Look.Spacing.NORMAL,
                    Sense.FORM,
                    "How much room there is between lines and blocks.")
            .optional(
                    "width",
                    Scalars.word(Look.PageWidth.class, Look.PageWidth::code),
                    Look::width,
                    Look.PageWidth.MEDIUM,
                    Sense.FORM,
                    "How wide pages become on wide screens.")
            .optional(
                    "header",
                    Scalars.word(Look.HeaderForm.class, Look.HeaderForm::code),
                    Look::header,
                    Look.HeaderForm.BAND,
                    Sense.FORM,
                    "The top of pages: a band of colour, plain on the ground, or everything in the middle.")
            .optional(
                    "tagline",
                    Scalars.VALUE_TEXT,
                    Look::tagline,
                    "",
                    Sense.WORDING,
                    "A line beside the name of the site, with values of the site.")
            .optional(
                    "navigation",
                    Composites.list(LINK),
                    Look::navigation,
                    List.of(),
                    Sense.FORM,
                    "Where the navigation leads, in order; the types that are in the navigation when left out.")
            .optional(
                    "footer",
                    Composites.things(BlockShape.INSTANCE),
                    Look::footer,
                    List.of(),
                    Sense.PARTS,
                    "Blocks below all pages, which show values of the site; its name when left out.")
            .optional(
                    "style",
                    Scalars.TEXT,
                    Look::style,
                    "",
                    Sense.FORM,
                    "Rules of one's own, in CSS, which load nothing and lay nothing over pages.")
            .build(v -> new Look(
                    v.get("id"),
                    v.get("key"),
                    v.get("title"),
                    v.get("description"),
                    v.get("text"),
                    v.get("headings"),
                    v.<Integer>get("size"),
                    v.get("heading_sizes"),
                    v.get("colours"),
                    v.get("corners"),
                    v.get("spacing"),
                    v.get("width"),
                    v.get("header"),
                    v.get("tagline"),
                    v.get("navigation"),
                    v.get("footer"),
                    v.get("style")));
}
