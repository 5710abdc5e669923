package org.jontrel.core.value.kind;

import java.net.URI;
import java.net.URISyntaxException;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.model.Kind;

/** Web addresses as in RFC 3986, with a scheme. */
record UrlValues(Kind.Url kind) implements KindValues {
    private static final int LONGEST = 2_000;

    @Override
    public KindValues.ReadValue read(Object raw, Where where) {
        return readText(raw, Code.VALUE_NOT_URL, where);
    }

    @Override
    public List<Finding> check(Object value, Where where) {
        var scheme = URI.create((String) value).getScheme().toLowerCase(Locale.ROOT);
        return kind.schemes().contains(scheme)
                ? List.of()
                : List.of(where.finding(Code.VALUE_SCHEME, scheme, String.join(", ", kind.schemes())));
    }

    @Override
    public Object wire(Object value) {
        return value;
    }

    @Override
    public Optional<Object> fromText(String text) {
        try {
            var address = new URI(text);
            boolean whole = address.isAbsolute() && (address.isOpaque() || address.getHost() != null);
            return whole && text.length() <= LONGEST ? Optional.of(text) : Optional.empty();
        } catch (URISyntaxException _) {
            return Optional.empty();
        }
    }
}
