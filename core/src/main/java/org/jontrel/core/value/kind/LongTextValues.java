package org.jontrel.core.value.kind;

import java.util.List;
import java.util.Optional;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.model.Kind;

record LongTextValues(Kind.LongText kind) implements KindValues {
    @Override
    public KindValues.ReadValue read(Object raw, Where where) {
        return TextRules.storable(raw)
                .map(KindValues.ReadValue::of)
                .orElseGet(() -> KindValues.ReadValue.not(where.finding(Code.VALUE_NOT_TEXT)));
    }

    @Override
    public List<Finding> check(Object value, Where where) {
        int max = kind.maxLength() == null ? Kind.LongText.LONGEST : Math.min(kind.maxLength(), Kind.LongText.LONGEST);
        return TextRules.lengths((String) value, null, max, where);
    }

    @Override
    public String show(Object value) {
        return (String) value;
    }

    @Override
    public Object wire(Object value) {
        return value;
    }

    @Override
    public Optional<Object> fromText(String text) {
        return TextRules.length(text) <= Kind.LongText.LONGEST ? Optional.of(text) : Optional.empty();
    }
}
