package org.jontrel.core.value.kind;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.model.Kind;

/** The value is the id of an uploaded file of the same site. */
public record FileValues(Kind.File kind) implements KindValues {
    @Override
    public KindValues.ReadValue read(Object raw, Where where) {
        var text = String.valueOf(raw);
        return Numbered.of(text)
                .map(KindValues.ReadValue::of)
                .orElseGet(() -> KindValues.ReadValue.not(where.finding(Code.VALUE_NOT_FILE)));
    }

    /** What a file breaks of the field's limits; {@code ending} is that of what it really is. */
    public List<Finding> checkFile(String name, String ending, long bytes, Where where) {
        var findings = new ArrayList<Finding>();
        int most = kind.maxKilobytes() == null ? Kind.File.MOST_KILOBYTES : kind.maxKilobytes();
        long kilobytes = (bytes + 1023) / 1024;
        if (bytes == 0) {
            findings.add(where.finding(Code.FILE_EMPTY, name));
        }
        if (kilobytes > most) {
            findings.add(where.finding(Code.FILE_TOO_HEAVY, name, kilobytes, most));
        }
        if (!kind.formats().isEmpty() && !kind.formats().contains(ending)) {
            findings.add(where.finding(Code.FILE_FORMAT, name, ending, String.join(", ", kind.formats())));
        }
        return findings;
    }

    @Override
    public Object wire(Object value) {
        return value;
    }

    @Override
    public Optional<Object> fromText(String text) {
        return Optional.empty();
    }
}
