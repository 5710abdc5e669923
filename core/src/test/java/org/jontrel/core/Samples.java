package org.jontrel.core;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.UnaryOperator;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Group;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.Part;

/** Small models that tests change one thing of. */
public final class Samples {
    public static final Field LENGTH = new Field(
            "f0c3r7h2p",
            "length_m",
            "Length",
            "Of the berth, in metres.",
            true,
            new Kind.Numeric(1, BigDecimal.ZERO, new BigDecimal("99.5"), "m"));
    public static final Field SURFACE = new Field(
            "f9v5t1k8s",
            "surface",
            "Surface",
            "",
            false,
            new Kind.Choice(List.of(
                    new Kind.Option("o1aaaaaaa", "grass", "Grass", false),
                    new Kind.Option("o2aaaaaaa", "hard", "Hard standing", true))));
    public static final Field NAME = new Field(
            "f1s7p2n5x",
            "berth_name",
            "Berth name",
            "",
            false,
            new Kind.Text(2, 80, "[A-Z].*", "Start with a capital."));
    public static final Field NOTE = new Field("f2b6m4z1a", "note", "Note", "", false, new Kind.LongText(2_000, 6));
    public static final Field OPEN =
            new Field("f3b6m4z1a", "visitor", "Open to visitors", "", false, new Kind.YesNo("Open", "Closed"));
    public static final Field SINCE =
            new Field("f4b6m4z1a", "since", "In use since", "", false, new Kind.Date(LocalDate.of(1790, 1, 1), null));
    public static final Field PHOTO =
            new Field("f5b6m4z1a", "photo", "Photo", "", false, new Kind.Image(320, null, 2_000, false));

    public static final Field OPENS =
            new Field("f6b6m4z1a", "opens", "Opens", "", false, new Kind.Time(LocalTime.of(6, 0), LocalTime.of(22, 0)));
    public static final Field EMAIL = new Field("f7b6m4z1a", "email", "E-mail", "", false, Kind.Email.PLAIN);
    public static final Field PHONE = new Field("f8b6m4z1a", "phone", "Phone", "", false, Kind.Phone.PLAIN);
    public static final Field TINT = new Field("f9b6m4z1a", "tint", "Tint", "", false, Kind.Colour.PLAIN);

    public static final ContentType MOORING =
            type("t7k2m9q4d", "mooring", LENGTH, SURFACE, NAME, NOTE, OPEN, SINCE, PHOTO, OPENS, EMAIL, PHONE, TINT);
    public static final Model MODEL = new Model(List.of(MOORING));

    private Samples() {}

    public static ContentType type(String id, String key, Field... fields) {
        return new ContentType(
                id,
                key,
                Character.toUpperCase(key.charAt(0)) + key.substring(1),
                Character.toUpperCase(key.charAt(0)) + key.substring(1) + "s",
                "A place where boats may tie up.",
                "anchor",
                key + "s",
                Map.of("add", "Add a " + key),
                List.of(Part.TITLE, Part.LEAD_IMAGE),
                List.of(new Group("g" + id.substring(1), "Berth", "", List.of(fields))));
    }

    /** The model with one field of the mooring changed. */
    public static Model with(String fieldId, UnaryOperator<Field> edit) {
        var fields = new ArrayList<Field>();
        MOORING.fields().forEach(field -> fields.add(field.id().equals(fieldId) ? edit.apply(field) : field));
        return withFields(fields);
    }

    public static Model withFields(List<Field> fields) {
        return new Model(
                List.of(MOORING.withSections(List.of(MOORING.groups().getFirst().withFields(fields)))));
    }
}
