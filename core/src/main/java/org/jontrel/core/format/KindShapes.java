package org.jontrel.core.format;

import java.util.LinkedHashMap;
import java.util.SequencedMap;
import org.jontrel.core.model.Kind;
import org.jontrel.core.shape.ObjectShape;

/** The settings of each kind in files. */
public final class KindShapes {
    private KindShapes() {}

    /** Every kind with its word, in the order people are offered them. */
    static final SequencedMap<String, ObjectShape<? extends Kind>> BY_CODE = byCode();

    private static SequencedMap<String, ObjectShape<? extends Kind>> byCode() {
        var all = new LinkedHashMap<String, ObjectShape<? extends Kind>>();
        Kind.all().forEach(kind -> all.put(kind.code(), of(kind)));
        return all;
    }

    /** The shape for a kind's settings. */
    @SuppressWarnings("unchecked")
    public static <K extends Kind> ObjectShape<K> of(K kind) {
        return (ObjectShape<K>)
                switch (kind) {
                    case Kind.Text _ -> SingleShapes.TEXT;
                    case Kind.LongText _ -> SingleShapes.LONG_TEXT;
                    case Kind.RichText _ -> SingleShapes.RICH_TEXT;
                    case Kind.Numeric _ -> SingleShapes.NUMBER;
                    case Kind.YesNo _ -> SingleShapes.YES_NO;
                    case Kind.Date _ -> TimeShapes.DATE;
                    case Kind.Time _ -> TimeShapes.TIME;
                    case Kind.DateTime _ -> TimeShapes.DATE_TIME;
                    case Kind.Email _ -> SingleShapes.EMAIL;
                    case Kind.Url _ -> SingleShapes.URL;
                    case Kind.Phone _ -> SingleShapes.PHONE;
                    case Kind.Colour _ -> SingleShapes.COLOUR;
                    case Kind.Icon _ -> SingleShapes.ICON;
                    case Kind.Choice _ -> SeveralShapes.CHOICE;
                    case Kind.Image _ -> FileShapes.IMAGE;
                    case Kind.File _ -> FileShapes.FILE;
                    case Kind.Relation _ -> SeveralShapes.RELATION;
                    case Kind.TermPick _ -> SeveralShapes.TERM;
                    case Kind.FieldGroup _ -> SeveralShapes.GROUP;
                    case Kind.Repeater _ -> SeveralShapes.REPEATER;
                    case Kind.Coordinates _ -> SingleShapes.PLACE;
                    case Kind.Note _ -> SingleShapes.NOTE;
                };
    }
}
