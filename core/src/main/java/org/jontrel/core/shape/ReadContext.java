package org.jontrel.core.shape;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.finding.Place;

/** What is gathered while files are read: findings, where each thing stands, and what files say of earlier keys. */
public final class ReadContext {
    /** Ids of things that a file gave none begin with this; no other id does. */
    public static final String GIVEN_HERE = "?";

    private final List<Finding> findings;
    private final Map<String, Origin> origins = new HashMap<>();
    private final Map<String, String> was = new HashMap<>();
    private String file = "";
    private int given;

    public ReadContext(List<Finding> findings) {
        this.findings = findings;
    }

    /** Where a thing stands. */
    public record Origin(String file, Node.Mapping node) {}

    public ReadContext in(String newFile) {
        file = newFile;
        return this;
    }

    /** Where there is nothing at all, that is said, whatever was expected; the first argument names the property. */
    public void add(Code code, Node at, Object... arguments) {
        if (at instanceof Node.Nothing && (code == Code.VALUE_WRONG_SHAPE || code == Code.WORD_UNKNOWN)) {
            findings.add(Finding.of(Code.VALUE_NOTHING, Place.in(file, at.line(), at.column()), arguments[0]));
            return;
        }
        findings.add(Finding.of(code, Place.in(file, at.line(), at.column()), arguments));
    }

    /** An id for a thing that the file gave none. */
    String giveId() {
        return GIVEN_HERE + ++given;
    }

    void found(String id, Node.Mapping node) {
        origins.putIfAbsent(id, new Origin(file, node));
    }

    void was(String id, String key) {
        was.put(id, key);
    }

    public Map<String, Origin> origins() {
        return origins;
    }

    /** Earlier keys that files gave, by the id of the thing. */
    public Map<String, String> was() {
        return was;
    }
}
