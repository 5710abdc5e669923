package org.jontrel.core.recordtype;

import org.jontrel.core.model.Kind;

/** How a site keeps the values of a field. */
public enum FieldStorage {
    /** It has none, or only those of the fields within it. */
    NOT,
    /** In a column of the table that it stands in. */
    COLUMN,
    /** In a table of its own, with a row for each of several. */
    TABLE;

    public static FieldStorage of(Kind kind) {
        return switch (kind) {
            case Kind.Note _, Kind.FieldGroup _ -> NOT;
            case Kind.Repeater _, Kind.Relation _, Kind.TermPick _ -> TABLE;
            case Kind.Choice _, Kind.Image _, Kind.File _ -> kind.amount().many() ? TABLE : COLUMN;
            case Kind.Text _,
                    Kind.LongText _,
                    Kind.RichText _,
                    Kind.Numeric _,
                    Kind.YesNo _,
                    Kind.Date _,
                    Kind.Time _,
                    Kind.DateTime _,
                    Kind.Email _,
                    Kind.Url _,
                    Kind.Phone _,
                    Kind.Colour _,
                    Kind.Icon _,
                    Kind.Coordinates _ -> COLUMN;
        };
    }
}
