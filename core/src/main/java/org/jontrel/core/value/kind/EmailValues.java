package org.jontrel.core.value.kind;

import java.util.Optional;
import java.util.regex.Pattern;
import org.jontrel.core.finding.Code;

/** Addresses in the form that browsers accept (HTML Living Standard, "valid e-mail address"), at most 254 characters. */
record EmailValues() implements KindValues {
    private static final Pattern ADDRESS = Pattern.compile("[a-zA-Z0-9.!#$%&'*+/=?^_`{|}~-]{1,64}@"
            + "[a-zA-Z0-9]([a-zA-Z0-9-]{0,61}[a-zA-Z0-9])?([.][a-zA-Z0-9]([a-zA-Z0-9-]{0,61}[a-zA-Z0-9])?){0,20}");
    private static final int LONGEST = 254;

    @Override
    public KindValues.ReadValue read(Object raw, Where where) {
        return readText(raw, Code.VALUE_NOT_EMAIL, where);
    }

    @Override
    public Object wire(Object value) {
        return value.toString();
    }

    @Override
    public Optional<Object> fromText(String text) {
        return text.length() <= LONGEST && ADDRESS.matcher(text).matches() ? Optional.of(text) : Optional.empty();
    }
}
