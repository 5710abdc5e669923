package org.jontrel.core.format;

import org.jontrel.core.model.Kind;
import org.jontrel.core.shape.Composites;
import org.jontrel.core.shape.ObjectShape;
import org.jontrel.core.shape.Scalars;
import org.jontrel.core.shape.Sense;

/** The settings of kinds that hold one value of their own. */
final class SingleShapes {
    static final ObjectShape<Kind.Text> TEXT = ObjectShape.<Kind.Text>of("text field")
            .optional(
                    "min_length",
                    Scalars.WHOLE_NUMBER,
                    Kind.Text::minLength,
                    null,
                    Sense.LOWER_BOUND,
                    "Shorter values are refused. In characters.")
            .optional(
                    "max_length",
                    Scalars.WHOLE_NUMBER,
                    Kind.Text::maxLength,
                    null,
                    Sense.UPPER_BOUND,
                    "Longer values are refused. In characters, up to 255.")
            .optional(
                    "pattern",
                    Scalars.TEXT,
                    Kind.Text::pattern,
                    "",
                    Sense.RULE,
                    "A regular expression (RE2 syntax) that the whole value must match.")
            .optional(
                    "pattern_message",
                    Scalars.TEXT,
                    Kind.Text::patternMessage,
                    "",
                    Sense.WORDING,
                    "What editors are told when a value does not match the pattern.")
            .optional(
                    "prefix",
                    Scalars.TEXT,
                    Kind.Text::prefix,
                    "",
                    Sense.WORDING,
                    "A text that forms and pages show before the value, such as No.")
            .optional(
                    "suffix",
                    Scalars.TEXT,
                    Kind.Text::suffix,
                    "",
                    Sense.WORDING,
                    "A text that forms and pages show after the value, such as per night.")
            .optional(
                    "unique",
                    Scalars.FLAG,
                    Kind.Text::unique,
                    false,
                    Sense.RULE,
                    "Whether no two records of the type may have the same value.")
            .build(v -> new Kind.Text(
                    v.get("min_length"),
                    v.get("max_length"),
                    v.get("pattern"),
                    v.get("pattern_message"),
                    v.get("prefix"),
                    v.get("suffix"),
                    v.<Boolean>get("unique")));

    static final ObjectShape<Kind.LongText> LONG_TEXT = ObjectShape.<Kind.LongText>of("long text field")
            .optional(
                    "max_length",
                    Scalars.WHOLE_NUMBER,
                    Kind.LongText::maxLength,
                    null,
                    Sense.UPPER_BOUND,
                    "Longer texts are refused. In characters, up to 1,000,000.")
            .optional(
                    "rows",
                    Scalars.WHOLE_NUMBER,
                    Kind.LongText::rows,
                    4,
                    Sense.FORM,
                    "How many lines high the control is in the form.")
            .build(v -> new Kind.LongText(v.get("max_length"), v.<Integer>get("rows")));

    static final ObjectShape<Kind.RichText> RICH_TEXT = ObjectShape.<Kind.RichText>of("rich text field")
            .optional(
                    "max_length",
                    Scalars.WHOLE_NUMBER,
                    Kind.RichText::maxLength,
                    null,
                    Sense.UPPER_BOUND,
                    "Longer texts are refused. In characters that readers see, up to 1,000,000.")
            .optional(
                    "formats",
                    Composites.set(Scalars.word(Kind.Format.class, Kind.Format::code)),
                    Kind.RichText::formats,
                    Kind.RichText.PLAIN.formats(),
                    Sense.ALLOWED,
                    "What editors may use: formatting, and values and listings put into the text; the rest is taken out.")
            .build(v -> new Kind.RichText(v.get("max_length"), v.get("formats")));

    static final ObjectShape<Kind.Numeric> NUMBER = ObjectShape.<Kind.Numeric>of("number field")
            .optional(
                    "decimals",
                    Scalars.WHOLE_NUMBER,
                    Kind.Numeric::decimals,
                    0,
                    Sense.UPPER_BOUND,
                    "How many decimals a number may have, from 0 to 6.")
            .optional(
                    "min",
                    Scalars.NUMBER,
                    Kind.Numeric::min,
                    null,
                    Sense.LOWER_BOUND,
                    "Smaller numbers are refused; there is no limit when left out.")
            .optional(
                    "max",
                    Scalars.NUMBER,
                    Kind.Numeric::max,
                    null,
                    Sense.UPPER_BOUND,
                    "Larger numbers are refused; there is no limit when left out.")
            .optional(
                    "step",
                    Scalars.NUMBER,
                    Kind.Numeric::step,
                    null,
                    Sense.RULE,
                    "How far apart the accepted numbers are, counted from the minimum, or from 0.")
            .optional(
                    "unit",
                    Scalars.TEXT,
                    Kind.Numeric::unit,
                    "",
                    Sense.MEANING,
                    "The unit that forms and pages show after the number, such as m.")
            .optional(
                    "shown",
                    Scalars.word(Kind.Numeric.NumberControl.class, Kind.Numeric.NumberControl::code),
                    Kind.Numeric::shown,
                    Kind.Numeric.NumberControl.BOX,
                    Sense.FORM,
                    "The control: a number field (box), a slider (needs min and max) or a rating from 0 or 1 to max (marks).")
            .build(v -> new Kind.Numeric(
                    v.<Integer>get("decimals"),
                    v.get("min"),
                    v.get("max"),
                    v.get("step"),
                    v.get("unit"),
                    v.get("shown")));

    static final ObjectShape<Kind.YesNo> YES_NO = ObjectShape.<Kind.YesNo>of("yes-no field")
            .optional("yes", Scalars.TEXT, Kind.YesNo::yes, "Yes", Sense.WORDING, "What forms and pages show for yes.")
            .optional("no", Scalars.TEXT, Kind.YesNo::no, "No", Sense.WORDING, "What forms and pages show for no.")
            .build(v -> new Kind.YesNo(v.get("yes"), v.get("no")));

    static final ObjectShape<Kind.Email> EMAIL =
            ObjectShape.<Kind.Email>of("e-mail field").build(_ -> Kind.Email.PLAIN);

    static final ObjectShape<Kind.Url> URL = ObjectShape.<Kind.Url>of("web address field")
            .optional(
                    "schemes",
                    Composites.set(Scalars.TEXT),
                    Kind.Url::schemes,
                    Kind.Url.PLAIN.schemes(),
                    Sense.ALLOWED,
                    "The schemes that a web address may begin with, such as https.")
            .build(v -> new Kind.Url(v.get("schemes")));

    static final ObjectShape<Kind.Phone> PHONE =
            ObjectShape.<Kind.Phone>of("phone field").build(_ -> Kind.Phone.PLAIN);

    static final ObjectShape<Kind.Colour> COLOUR =
            ObjectShape.<Kind.Colour>of("colour field").build(_ -> Kind.Colour.PLAIN);

    static final ObjectShape<Kind.Icon> ICON =
            ObjectShape.<Kind.Icon>of("icon field").build(_ -> Kind.Icon.PLAIN);

    static final ObjectShape<Kind.Coordinates> PLACE =
            ObjectShape.<Kind.Coordinates>of("place field").build(_ -> Kind.Coordinates.PLAIN);

    static final ObjectShape<Kind.Note> NOTE = ObjectShape.<Kind.Note>of("note")
            .required(
                    "text",
                    Scalars.TEXT,
                    Kind.Note::text,
                    Sense.WORDING,
                    "The text of the note, which editors read in the form.")
            .build(v -> new Kind.Note(v.get("text")));

    private SingleShapes() {}
}
