package org.jontrel.core.model;

import java.util.Locale;

/** What a record can have without a field being made for it. */
public enum Part {
    TITLE,
    SUMMARY,
    BODY,
    LEAD_IMAGE,
    AUTHOR,
    POSITION;

    public String code() {
        return name().toLowerCase(Locale.ROOT);
    }

    /**
     * The part as a field, so that forms, checks, storage and runs treat it as one. No field can have its id (ids of fields have
     * no underscore) or its key (the checker keeps it free).
     */
    public Field asField() {
        return switch (this) {
            case TITLE -> new Field("part_title", code(), label(), "", true, Kind.Text.PLAIN);
            case SUMMARY -> new Field("part_summary", code(), label(), "", false, new Kind.LongText(1_000, 2));
            case BODY -> new Field("part_body", code(), label(), "", false, new Kind.LongText(null, 10));
            case AUTHOR -> new Field("part_author", code(), label(), "", false, new Kind.Text(null, 100, "", ""));
            case POSITION -> new Field("part_position", code(), label(), "", false, Kind.Numeric.PLAIN);
            case LEAD_IMAGE -> new Field("part_lead_image", code(), label(), "", false, Kind.Image.PLAIN);
        };
    }

    /** The label on forms and lists. */
    public String label() {
        var words = code().replace('_', ' ');
        return Character.toUpperCase(words.charAt(0)) + words.substring(1);
    }
}
