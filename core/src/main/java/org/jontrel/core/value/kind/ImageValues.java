package org.jontrel.core.value.kind;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.model.Kind;
import org.jontrel.core.value.ImageFacts;

/** The value is the id of an uploaded picture of the same site. */
public record ImageValues(Kind.Image kind) implements KindValues {
    @Override
    public KindValues.ReadValue read(Object raw, Where where) {
        var text = String.valueOf(raw);
        return Numbered.of(text)
                .map(KindValues.ReadValue::of)
                .orElseGet(() -> KindValues.ReadValue.not(where.finding(Code.VALUE_NOT_IMAGE)));
    }

    /** What a picture breaks of the field's limits. */
    public List<Finding> checkFacts(ImageFacts picture, Where where) {
        var findings = new ArrayList<Finding>();
        int most = kind.maxKilobytes() == null ? Kind.Image.MOST_KILOBYTES : kind.maxKilobytes();
        long kilobytes = (picture.bytes() + 1023) / 1024;
        if (kilobytes > most) {
            findings.add(where.finding(Code.IMAGE_TOO_HEAVY, kilobytes, most));
        }
        if (kind.minWidth() != null && picture.width() < kind.minWidth()) {
            findings.add(where.finding(Code.IMAGE_TOO_NARROW, picture.width(), kind.minWidth()));
        }
        if (kind.minHeight() != null && picture.height() < kind.minHeight()) {
            findings.add(where.finding(Code.IMAGE_TOO_LOW, picture.height(), kind.minHeight()));
        }
        if (kind.altRequired() && picture.alt().isBlank()) {
            findings.add(where.finding(Code.IMAGE_ALT_MISSING));
        }
        return findings;
    }

    @Override
    public String show(Object value) {
        return String.valueOf(value);
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
