package org.jontrel.site.testing;

import java.math.BigDecimal;
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

/** A model of one type that tests of sites change step by step. */
public final class Moorings {
    public static final Field LENGTH =
            new Field("flength", "length", "Length", "", false, new Kind.Numeric(2, BigDecimal.ZERO, null, "m"));
    public static final Field RISE = new Field("frise", "rise", "Rise", "", false, Kind.Text.PLAIN);
    public static final Field STATE = new Field(
            "fstate",
            "state",
            "Condition",
            "",
            false,
            new Kind.Choice(List.of(
                    new Kind.Option("ogood", "good", "Good", false), new Kind.Option("opoor", "poor", "Poor", false))));
    public static final Field OPEN = new Field("fopen", "open", "Open", "", false, Kind.YesNo.PLAIN);
    public static final Field SINCE = new Field("fsince", "since", "Since", "", false, Kind.Date.PLAIN);
    public static final Field NOTE = new Field("fnote", "note", "Note", "", false, Kind.LongText.PLAIN);
    public static final Field PHOTO = new Field("fphoto", "photo", "Photo", "", false, Kind.Image.PLAIN);
    public static final Field DEPTH =
            new Field("fdepth", "depth", "Depth", "", true, new Kind.Numeric(1, null, null, "m"));

    public static final Field OPENS = new Field("fopens", "opens", "Opens", "", false, Kind.Time.PLAIN);
    public static final Field EMAIL = new Field("femail", "email", "E-mail", "", false, Kind.Email.PLAIN);
    public static final Field PHONE = new Field("fphone", "phone", "Phone", "", false, Kind.Phone.PLAIN);
    public static final Field TINT = new Field("ftint", "tint", "Tint", "", false, Kind.Colour.PLAIN);

    private Moorings() {}

    public static Model model(Field... fields) {
        return model("mooring", "moorings", List.of(fields));
    }

    public static Model model(String key, String path, List<Field> fields) {
        return new Model(List.of(new ContentType(
                "tmooring",
                key,
                "Mooring",
                "Moorings",
                "",
                "",
                path,
                Map.of(),
                List.of(Part.TITLE),
                List.of(new Group("gberth", "Berth", "", fields)))));
    }

    public static Model standard() {
        return model(LENGTH, RISE, STATE, OPEN, SINCE, NOTE, PHOTO, OPENS, EMAIL, PHONE, TINT);
    }

    /** The standard model with one field less. */
    public static Model without(Field field) {
        var fields = new ArrayList<>(standard().types().getFirst().fields().toList());
        fields.removeIf(each -> each.id().equals(field.id()));
        return model("mooring", "moorings", fields);
    }

    /** The standard model with one field more. */
    public static Model and(Field field) {
        var fields = new ArrayList<>(standard().types().getFirst().fields().toList());
        fields.add(field);
        return model("mooring", "moorings", fields);
    }

    /** The standard model with one field edited. */
    public static Model with(Field field, UnaryOperator<Field> edit) {
        var fields = new ArrayList<Field>();
        standard().types().getFirst().fields().forEach(f -> fields.add(f.id().equals(field.id()) ? edit.apply(f) : f));
        return model("mooring", "moorings", fields);
    }
}
