package org.jontrel.core.code;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.SequencedMap;
import org.jontrel.core.model.Kind;

/** The settings of each kind in files. */
final class KindShapes {
    static final ObjectShape<Kind.Option> OPTION = ObjectShape.<Kind.Option>of("option")
            .optional("id", Shape.text(), Kind.Option::id, "", Sense.IDENTITY, "Kept for life; given when left out.")
            .required("key", Shape.text(), Kind.Option::key, Sense.NAME, "The name in code and in the database.")
            .required("label", Shape.text(), Kind.Option::label, Sense.WORDING, "What people read.")
            .optional(
                    "retired",
                    Shape.flag(),
                    Kind.Option::retired,
                    false,
                    Sense.RULE,
                    "Kept by records that have it, offered to no other.")
            .build(v -> new Kind.Option(v.get("id"), v.get("key"), v.get("label"), v.<Boolean>get("retired")));

    static final ObjectShape<Kind.Text> TEXT = ObjectShape.<Kind.Text>of("text field")
            .optional("min_length", Shape.whole(), Kind.Text::minLength, null, Sense.LOWER_BOUND, "Fewest characters.")
            .optional(
                    "max_length",
                    Shape.whole(),
                    Kind.Text::maxLength,
                    null,
                    Sense.UPPER_BOUND,
                    "Most characters, up to 255.")
            .optional(
                    "pattern",
                    Shape.text(),
                    Kind.Text::pattern,
                    "",
                    Sense.RULE,
                    "A regular expression (RE2 syntax) the whole value must match.")
            .optional(
                    "pattern_message",
                    Shape.text(),
                    Kind.Text::patternMessage,
                    "",
                    Sense.WORDING,
                    "What editors read when the pattern does not match.")
            .build(v -> new Kind.Text(
                    v.get("min_length"), v.get("max_length"), v.get("pattern"), v.get("pattern_message")));

    static final ObjectShape<Kind.LongText> LONG_TEXT = ObjectShape.<Kind.LongText>of("long text field")
            .optional(
                    "max_length",
                    Shape.whole(),
                    Kind.LongText::maxLength,
                    null,
                    Sense.UPPER_BOUND,
                    "Most characters, up to 1,000,000.")
            .optional("rows", Shape.whole(), Kind.LongText::rows, 4, Sense.FORM, "Height of the form control in lines.")
            .build(v -> new Kind.LongText(v.get("max_length"), v.<Integer>get("rows")));

    static final ObjectShape<Kind.Numeric> NUMBER = ObjectShape.<Kind.Numeric>of("number field")
            .optional("decimals", Shape.whole(), Kind.Numeric::decimals, 0, Sense.UPPER_BOUND, "Most decimals, 0 to 6.")
            .optional("min", Shape.decimal(), Kind.Numeric::min, null, Sense.LOWER_BOUND, "Least value.")
            .optional("max", Shape.decimal(), Kind.Numeric::max, null, Sense.UPPER_BOUND, "Greatest value.")
            .optional("unit", Shape.text(), Kind.Numeric::unit, "", Sense.WORDING, "Shown behind the number.")
            .build(v -> new Kind.Numeric(v.<Integer>get("decimals"), v.get("min"), v.get("max"), v.get("unit")));

    static final ObjectShape<Kind.YesNo> YES_NO = ObjectShape.<Kind.YesNo>of("yes-no field")
            .optional("yes", Shape.text(), Kind.YesNo::yes, "Yes", Sense.WORDING, "Wording of the answer yes.")
            .optional("no", Shape.text(), Kind.YesNo::no, "No", Sense.WORDING, "Wording of the answer no.")
            .build(v -> new Kind.YesNo(v.get("yes"), v.get("no")));

    static final ObjectShape<Kind.Date> DATE = ObjectShape.<Kind.Date>of("date field")
            .optional("earliest", Shape.date(), Kind.Date::earliest, null, Sense.LOWER_BOUND, "The first possible day.")
            .optional("latest", Shape.date(), Kind.Date::latest, null, Sense.UPPER_BOUND, "The last possible day.")
            .build(v -> new Kind.Date(v.get("earliest"), v.get("latest")));

    static final ObjectShape<Kind.Time> TIME = ObjectShape.<Kind.Time>of("time field")
            .optional(
                    "earliest", Shape.time(), Kind.Time::earliest, null, Sense.LOWER_BOUND, "The first possible time.")
            .optional("latest", Shape.time(), Kind.Time::latest, null, Sense.UPPER_BOUND, "The last possible time.")
            .build(v -> new Kind.Time(v.get("earliest"), v.get("latest")));

    static final ObjectShape<Kind.Email> EMAIL =
            ObjectShape.<Kind.Email>of("e-mail field").build(_ -> Kind.Email.PLAIN);

    static final ObjectShape<Kind.Phone> PHONE =
            ObjectShape.<Kind.Phone>of("phone field").build(_ -> Kind.Phone.PLAIN);

    static final ObjectShape<Kind.Colour> COLOUR =
            ObjectShape.<Kind.Colour>of("colour field").build(_ -> Kind.Colour.PLAIN);

    static final ObjectShape<Kind.Choice> CHOICE = ObjectShape.<Kind.Choice>of("choice field")
            .optional(
                    "options",
                    Shape.list(OPTION),
                    Kind.Choice::options,
                    List.of(),
                    Sense.PARTS,
                    "What can be chosen, in order.")
            .build(v -> new Kind.Choice(v.get("options")));

    static final ObjectShape<Kind.Image> IMAGE = ObjectShape.<Kind.Image>of("image field")
            .optional(
                    "min_width", Shape.whole(), Kind.Image::minWidth, null, Sense.LOWER_BOUND, "Least width in pixels.")
            .optional(
                    "min_height",
                    Shape.whole(),
                    Kind.Image::minHeight,
                    null,
                    Sense.LOWER_BOUND,
                    "Least height in pixels.")
            .optional(
                    "max_kilobytes",
                    Shape.whole(),
                    Kind.Image::maxKilobytes,
                    null,
                    Sense.UPPER_BOUND,
                    "Largest file in KB of 1,024 bytes, up to 20,480.")
            .optional(
                    "alt_required",
                    Shape.flag(),
                    Kind.Image::altRequired,
                    true,
                    Sense.RULE,
                    "Whether an alternative text must be given.")
            .build(v -> new Kind.Image(
                    v.get("min_width"), v.get("min_height"), v.get("max_kilobytes"), v.<Boolean>get("alt_required")));

    private KindShapes() {}

    /** Every kind with its word, in the order people are offered them. */
    static final SequencedMap<String, ObjectShape<? extends Kind>> BY_CODE = byCode();

    private static SequencedMap<String, ObjectShape<? extends Kind>> byCode() {
        var all = new LinkedHashMap<String, ObjectShape<? extends Kind>>();
        for (Kind plain : List.of(
                Kind.Text.PLAIN,
                Kind.LongText.PLAIN,
                Kind.Numeric.PLAIN,
                Kind.YesNo.PLAIN,
                Kind.Date.PLAIN,
                Kind.Time.PLAIN,
                Kind.Email.PLAIN,
                Kind.Phone.PLAIN,
                Kind.Colour.PLAIN,
                Kind.Choice.PLAIN,
                Kind.Image.PLAIN)) {
            all.put(plain.code(), of(plain));
        }
        return all;
    }

    /** The shape for a kind's settings. */
    @SuppressWarnings("unchecked")
    static <K extends Kind> ObjectShape<K> of(K kind) {
        return (ObjectShape<K>)
                switch (kind) {
                    case Kind.Text _ -> TEXT;
                    case Kind.LongText _ -> LONG_TEXT;
                    case Kind.Numeric _ -> NUMBER;
                    case Kind.YesNo _ -> YES_NO;
                    case Kind.Date _ -> DATE;
                    case Kind.Time _ -> TIME;
                    case Kind.Email _ -> EMAIL;
                    case Kind.Phone _ -> PHONE;
                    case Kind.Colour _ -> COLOUR;
                    case Kind.Choice _ -> CHOICE;
                    case Kind.Image _ -> IMAGE;
                };
    }
}
