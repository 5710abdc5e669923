package org.jontrel.core.recordtype;

import java.util.List;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;

/** How much room the values of a record, term or row take in a row of the database. */
public final class RowSize {
    /** The database's 65,535 bytes a row, less what a site's own columns and the null flags take. */
    public static final int MOST = 64_000;

    private RowSize() {}

    /** Bytes that the fields of one row take together. */
    public static int bytes(List<Field> fields) {
        return fields.stream().mapToInt(RowSize::bytes).sum();
    }

    private static int bytes(Field field) {
        return field.kind().amount().many() ? 0 : bytes(field.kind());
    }

    /** Bytes that a value counts against the row limit of the database (utf8mb4: four a character). */
    private static int bytes(Kind kind) {
        return switch (kind) {
            case Kind.Text _, Kind.Email _, Kind.Phone _ -> Kind.Text.LONGEST * 4 + 2;
            case Kind.LongText _, Kind.RichText _, Kind.Url _ -> 12;
            case Kind.Numeric _ -> 10;
            case Kind.YesNo _ -> 1;
            case Kind.Date _, Kind.Time _ -> 3;
            case Kind.DateTime _, Kind.Colour _, Kind.Image _, Kind.File _, Kind.Relation _, Kind.TermPick _ -> 8;
            case Kind.Choice _ -> 65;
            case Kind.Icon _ -> 41;
            case Kind.Coordinates _ -> 20;
            case Kind.FieldGroup(List<Field> fields) -> bytes(fields);
            case Kind.Repeater _, Kind.Note _ -> 0;
        };
    }
}
