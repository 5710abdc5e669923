package org.jontrel.core.move;

import java.math.BigDecimal;
import java.util.LinkedHashSet;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.regex.Pattern;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.record.Values;

/**
 * How a new value follows from others of the same record: a text with the keys of fields in braces, {@code {title}, {county}}; for a
 * number a calculation, {@code round({length_ft} * 0.3048, 2)}. A record in which one of the fields is empty gets no value, and
 * neither does one whose number would have to be rounded where the formula does not say so.
 */
public final class Formula {
    private static final Pattern PLACE = Pattern.compile("\\{([a-z][a-z0-9_]*)}");
    private final String text;

    public Formula(String text) {
        this.text = text;
    }

    /** Whether an answer is one, rather than a value. */
    public static boolean is(String text) {
        return PLACE.matcher(text).find();
    }

    /** The keys of the fields that it is about, in order. */
    public Set<String> keys() {
        var keys = new LinkedHashSet<String>();
        PLACE.matcher(text).results().forEach(found -> keys.add(found.group(1)));
        return keys;
    }

    /** A value of a field by its key, with the field. */
    public record NamedValue(Field field, Object value) {}

    /**
     * The value for a field; empty where it has none.
     *
     * @param values gives the values by key; empty where there is none
     */
    Optional<Object> value(Field to, Function<String, Optional<NamedValue>> values) {
        return to.kind() instanceof Kind.Numeric number
                ? calculated(values)
                        .filter(found -> found.stripTrailingZeros().scale() <= number.decimals())
                        .flatMap(
                                found -> Values.parse(to, found.toPlainString()).value())
                : filled(values).flatMap(found -> Values.typed(to, found).value());
    }

    /** Whether it can be read as a calculation, whatever the numbers are. */
    public boolean calculates() {
        try {
            new Calculation(text, _ -> BigDecimal.ONE).result();
            return true;
        } catch (ArithmeticException e) {
            // such as a division by what is zero where all numbers are one
            return true;
        } catch (IllegalArgumentException e) {
            return false;
        }
    }

    private Optional<BigDecimal> calculated(Function<String, Optional<NamedValue>> values) {
        try {
            return Optional.of(new Calculation(text, key -> number(values.apply(key))).result());
        } catch (ArithmeticException | IllegalArgumentException e) {
            return Optional.empty();
        }
    }

    private static BigDecimal number(Optional<NamedValue> found) {
        return found.map(NamedValue::value)
                .filter(BigDecimal.class::isInstance)
                .map(BigDecimal.class::cast)
                .orElseThrow(() -> new IllegalArgumentException("no number"));
    }

    private Optional<String> filled(Function<String, Optional<NamedValue>> values) {
        var lacking = new boolean[1];
        var filled = PLACE.matcher(text).replaceAll(found -> {
            var value = values.apply(found.group(1));
            lacking[0] |= value.isEmpty();
            return java.util.regex.Matcher.quoteReplacement(
                    value.map(each -> Values.show(each.field().kind(), each.value()))
                            .orElse(""));
        });
        return lacking[0] || filled.isBlank() ? Optional.empty() : Optional.of(filled);
    }
}
