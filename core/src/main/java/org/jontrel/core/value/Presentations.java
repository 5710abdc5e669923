package org.jontrel.core.value;

import java.util.List;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.block.Presentation;

/** In which ways the values of each kind can be shown on pages. */
public final class Presentations {
    private Presentations() {}

    /** The ways besides the usual one, in the order people are offered them. */
    public static List<Presentation> of(Kind kind) {
        return switch (kind) {
            case Kind.Text _ -> List.of(Presentation.HEADING, Presentation.LEAD, Presentation.LABELS);
            case Kind.LongText _ -> List.of(Presentation.LEAD, Presentation.EXCERPT);
            case Kind.RichText _ -> List.of(Presentation.EXCERPT);
            case Kind.Numeric _ -> List.of(Presentation.PLAIN, Presentation.MARKS);
            case Kind.YesNo _ -> List.of(Presentation.LABEL_ALONE);
            case Kind.Date _, Kind.DateTime _ -> List.of(Presentation.LONG, Presentation.SHORT, Presentation.RELATIVE);
            case Kind.Email _, Kind.Url _, Kind.Phone _ -> List.of(Presentation.BUTTON, Presentation.WORDS);
            case Kind.Colour _ -> List.of(Presentation.SWATCH, Presentation.WORDS);
            case Kind.Choice _ -> List.of(Presentation.LABELS);
            case Kind.Image _ -> List.of(Presentation.GALLERY);
            case Kind.File _ -> List.of(Presentation.BUTTON);
            case Kind.Relation _ -> List.of(Presentation.LABELS);
            case Kind.TermPick _ -> List.of(Presentation.WORDS);
            case Kind.Time _, Kind.Icon _, Kind.Nested _, Kind.Coordinates _, Kind.Note _ -> List.of();
        };
    }
}
