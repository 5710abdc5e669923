package org.jontrel.core.value.kind;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.model.Kind;
import org.jontrel.core.value.Patterns;

record TextValues(Kind.Text kind) implements KindValues {
    @Override
    public KindValues.ReadValue read(Object raw, Where where) {
        var text = TextRules.storable(raw);
        if (text.isEmpty()) {
            return KindValues.ReadValue.not(where.finding(Code.VALUE_NOT_TEXT));
        }
        return text.get().contains("\n")
                ? KindValues.ReadValue.not(where.finding(Code.VALUE_ONE_LINE))
                : KindValues.ReadValue.of(text.get());
    }

    @Override
    public List<Finding> check(Object value, Where where) {
        var text = (String) value;
        int max = kind.maxLength() == null ? Kind.Text.LONGEST : Math.min(kind.maxLength(), Kind.Text.LONGEST);
        var findings = new ArrayList<>(TextRules.lengths(text, kind.minLength(), max, where));
        if (!kind.pattern().isEmpty() && !Patterns.matches(kind.pattern(), text)) {
            findings.add(where.finding(Code.VALUE_PATTERN, kind.patternMessage()));
        }
        return findings;
    }

    @Override
    public String show(Object value) {
        return kind.prefix() + value + kind.suffix();
    }

    @Override
    public Object wire(Object value) {
        return value;
    }

    @Override
    public Optional<Object> fromText(String text) {
        boolean fits = TextRules.length(text) <= Kind.Text.LONGEST && !text.contains("\n");
        return fits ? Optional.of(text) : Optional.empty();
    }
}
