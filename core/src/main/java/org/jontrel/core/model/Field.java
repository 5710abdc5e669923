package org.jontrel.core.model;

import java.util.List;
import java.util.stream.Stream;
import org.jontrel.core.model.condition.Condition;

/**
 * One typed value that a record, a term or a row holds. Its id stays for life; renaming changes the key only.
 *
 * @param showWhen when editors see it, and when it counts as required
 * @param api whether the content API gives its value
 * @param fallback what a new record begins with, as text in the field's form (an option or term as its id); empty for nothing
 */
public record Field(
        String id,
        String key,
        String label,
        String help,
        boolean required,
        Kind kind,
        Condition showWhen,
        Width width,
        boolean api,
        String fallback) {
    /** A field that is always shown, over the full width, in the API, without a default. */
    public Field(String id, String key, String label, String help, boolean required, Kind kind) {
        this(id, key, label, help, required, kind, Condition.ALWAYS, Width.FULL, true, "");
    }

    /** The fields within it; empty for all kinds but groups and repeaters. */
    public List<Field> inner() {
        return kind.inner();
    }

    /** This field, then everything within it. */
    public Stream<Field> withInner() {
        return Stream.concat(Stream.of(this), inner().stream().flatMap(Field::withInner));
    }

    public Field withId(String newId) {
        return new Field(newId, key, label, help, required, kind, showWhen, width, api, fallback);
    }

    public Field withKey(String newKey) {
        return new Field(id, newKey, label, help, required, kind, showWhen, width, api, fallback);
    }

    public Field withLabel(String newLabel) {
        return new Field(id, key, newLabel, help, required, kind, showWhen, width, api, fallback);
    }

    public Field withRequired(boolean newRequired) {
        return new Field(id, key, label, help, newRequired, kind, showWhen, width, api, fallback);
    }

    public Field withKind(Kind newKind) {
        return new Field(id, key, label, help, required, newKind, showWhen, width, api, fallback);
    }

    public Field withShowWhen(Condition newShowWhen) {
        return new Field(id, key, label, help, required, kind, newShowWhen, width, api, fallback);
    }

    public Field withFallback(String newFallback) {
        return new Field(id, key, label, help, required, kind, showWhen, width, api, newFallback);
    }
}
