package org.jontrel.core.value.kind;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Pattern;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.model.Kind;

/** Numbers are exact decimals. JSON carries them as text ("2.50"), since readers of JSON numbers may round. */
record NumberValues(Kind.Numeric kind) implements KindValues {
    private static final Pattern PLAIN = Pattern.compile("[-+]?[0-9]{1,20}([.][0-9]{1,20})?");

    @Override
    public KindValues.ReadValue read(Object raw, Where where) {
        var text = raw instanceof BigDecimal number
                ? number.precision() - number.scale() > 40 || number.scale() > 40 ? "" : number.toPlainString()
                : String.valueOf(raw).strip();
        return raw instanceof Boolean || !PLAIN.matcher(text).matches()
                ? KindValues.ReadValue.not(where.finding(Code.VALUE_NOT_NUMBER, raw))
                : KindValues.ReadValue.of(plain(new BigDecimal(text)));
    }

    /** One number is one value, however many zeros it is written with. */
    private static BigDecimal plain(BigDecimal number) {
        var stripped = number.stripTrailingZeros();
        return stripped.scale() < 0 && stripped.precision() - stripped.scale() <= 40 ? stripped.setScale(0) : stripped;
    }

    @Override
    public List<Finding> check(Object value, Where where) {
        var number = (BigDecimal) value;
        var findings = new ArrayList<Finding>();
        if (number.stripTrailingZeros().scale() > kind.decimals()) {
            findings.add(where.finding(Code.VALUE_TOO_MANY_DECIMALS, number.toPlainString(), kind.decimals()));
        }
        var least = kind.min() == null ? bound().negate() : kind.min();
        var greatest = kind.max() == null ? bound() : kind.max();
        if (number.compareTo(least) < 0) {
            findings.add(where.finding(Code.VALUE_TOO_SMALL, number.toPlainString(), least.toPlainString()));
        }
        if (number.compareTo(greatest) > 0) {
            findings.add(where.finding(Code.VALUE_TOO_LARGE, number.toPlainString(), greatest.toPlainString()));
        }
        var from = kind.min() == null ? BigDecimal.ZERO : kind.min();
        if (kind.step() != null && number.subtract(from).remainder(kind.step()).signum() != 0) {
            findings.add(where.finding(
                    Code.VALUE_STEP, number.toPlainString(), kind.step().toPlainString(), from.toPlainString()));
        }
        return findings;
    }

    /** The greatest number that can be stored. */
    private static BigDecimal bound() {
        return BigDecimal.TEN.pow(Kind.Numeric.MOST_DIGITS).subtract(BigDecimal.ONE);
    }

    @Override
    public String show(Object value) {
        return text(value) + (kind.unit().isEmpty() ? "" : "\u00a0" + kind.unit());
    }

    @Override
    public Object wire(Object value) {
        return text(value);
    }

    /** With the field's decimals, or more where the number has more, so that nothing is rounded. */
    private String text(Object value) {
        var number = ((BigDecimal) value).stripTrailingZeros();
        return number.setScale(Math.max(number.scale(), kind.decimals())).toPlainString();
    }

    @Override
    public Optional<Object> fromText(String text) {
        if (!PLAIN.matcher(text).matches()) {
            return Optional.empty();
        }
        var number = new BigDecimal(text);
        return storable(number) ? Optional.of(number) : Optional.empty();
    }

    private static boolean storable(BigDecimal number) {
        return number.stripTrailingZeros().scale() <= Kind.Numeric.MOST_DECIMALS
                && number.abs().compareTo(bound()) <= 0;
    }
}
