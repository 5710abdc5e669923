package org.jontrel.core.model;

/** One typed value that a record holds. Its id stays for life; renaming changes the key only. */
public record Field(String id, String key, String label, String help, boolean required, Kind kind) {
    public Field withId(String newId) {
        return new Field(newId, key, label, help, required, kind);
    }

    public Field withKey(String newKey) {
        return new Field(id, newKey, label, help, required, kind);
    }

    public Field withLabel(String newLabel) {
        return new Field(id, key, newLabel, help, required, kind);
    }

    public Field withRequired(boolean newRequired) {
        return new Field(id, key, label, help, newRequired, kind);
    }

    public Field withKind(Kind newKind) {
        return new Field(id, key, label, help, required, newKind);
    }
}
