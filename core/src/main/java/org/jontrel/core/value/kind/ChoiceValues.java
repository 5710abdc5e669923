package org.jontrel.core.value.kind;

import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.finding.Nearest;
import org.jontrel.core.model.Kind;

/** The value is the key of an option. */
record ChoiceValues(Kind.Choice kind) implements KindValues {
    @Override
    public KindValues.ReadValue read(Object raw, Where where) {
        var key = String.valueOf(raw);
        return key.length() <= 64 && key.matches("[a-z0-9_]+")
                ? KindValues.ReadValue.of(key)
                : KindValues.ReadValue.not(where.finding(Code.VALUE_NOT_OPTION, key, hint(key)));
    }

    @Override
    public List<Finding> check(Object value, Where where) {
        return option(o -> o.key().equals(value)).isPresent()
                ? List.of()
                : List.of(where.finding(Code.VALUE_NOT_OPTION, value, hint((String) value)));
    }

    @Override
    public String show(Object value) {
        return option(o -> o.key().equals(value)).map(Kind.Option::label).orElse((String) value);
    }

    @Override
    public Object wire(Object value) {
        return value;
    }

    /** By the key, or by a label that no other option has. */
    @Override
    public Optional<Object> fromText(String text) {
        return option(o -> o.key().equals(text))
                .or(() -> only(o -> o.label().equals(text)))
                .or(() -> only(o -> o.label().equalsIgnoreCase(text)))
                .map(Kind.Option::key);
    }

    private Optional<Kind.Option> only(Predicate<Kind.Option> wanted) {
        var found = kind.options().stream().filter(wanted).toList();
        return found.size() == 1 ? Optional.of(found.getFirst()) : Optional.empty();
    }

    private Optional<Kind.Option> option(Predicate<Kind.Option> wanted) {
        return kind.options().stream().filter(wanted).findFirst();
    }

    private String hint(String key) {
        return Nearest.hint(key, kind.options().stream().map(Kind.Option::key).toList());
    }
}
