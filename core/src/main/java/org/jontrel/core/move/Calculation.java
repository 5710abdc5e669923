package org.jontrel.core.move;

import java.math.BigDecimal;
import java.math.MathContext;
import java.math.RoundingMode;
import java.util.function.Function;

/**
 * Sums, differences, products and quotients of numbers and fields in braces, with parentheses, and {@code round(…, decimals)}.
 * Nothing is rounded elsewhere: a quotient without an end has no result.
 */
final class Calculation {
    /** Of a quotient that is rounded at last. */
    private static final MathContext WITHIN = MathContext.DECIMAL128;

    private static final String ROUND = "round";
    private static final BigDecimal MOST_DECIMALS = BigDecimal.valueOf(6);
    private final String text;
    private final Function<String, BigDecimal> numbers;
    private int at;
    /** How many {@code round} are around. */
    private int rounding;

    /** @param numbers gives the number of a field by its key */
    Calculation(String text, Function<String, BigDecimal> numbers) {
        this.text = text;
        this.numbers = numbers;
    }

    /**
     * @throws IllegalArgumentException where it cannot be read, or a field has no number
     * @throws ArithmeticException where a quotient has no end, or divides by zero
     */
    BigDecimal result() {
        var result = sum();
        if (next() != 0) {
            throw new IllegalArgumentException("not a calculation: " + text);
        }
        return result;
    }

    /** The next character that is no space; 0 at the end. */
    private char next() {
        while (at < text.length() && Character.isWhitespace(text.charAt(at))) {
            at++;
        }
        return at < text.length() ? text.charAt(at) : 0;
    }

    private boolean takes(char wanted) {
        if (next() != wanted) {
            return false;
        }
        at++;
        return true;
    }

    private void want(char wanted) {
        if (!takes(wanted)) {
            throw new IllegalArgumentException("no " + wanted + " in " + text);
        }
    }

    private BigDecimal sum() {
        var sum = product();
        while (true) {
            if (takes('+')) {
                sum = sum.add(product());
            } else if (takes('-')) {
                sum = sum.subtract(product());
            } else {
                return sum;
            }
        }
    }

    private BigDecimal product() {
        var product = factor();
        while (true) {
            if (takes('*')) {
                product = product.multiply(factor());
            } else if (takes('/')) {
                var by = factor();
                product = rounding > 0 ? product.divide(by, WITHIN) : product.divide(by);
            } else {
                return product;
            }
        }
    }

    private BigDecimal factor() {
        if (takes('-')) {
            return factor().negate();
        }
        if (takes('(')) {
            var inner = sum();
            want(')');
            return inner;
        }
        if (takes('{')) {
            int end = text.indexOf('}', at);
            if (end < 0) {
                throw new IllegalArgumentException("no } in " + text);
            }
            var key = text.substring(at, end);
            at = end + 1;
            return numbers.apply(key);
        }
        return text.startsWith(ROUND, at) ? rounded() : number();
    }

    private BigDecimal rounded() {
        at += ROUND.length();
        want('(');
        rounding++;
        var value = sum();
        rounding--;
        var decimals = takes(',') ? number() : BigDecimal.ZERO;
        want(')');
        if (decimals.stripTrailingZeros().scale() > 0 || decimals.compareTo(MOST_DECIMALS) > 0) {
            throw new IllegalArgumentException("not decimals: " + decimals);
        }
        return value.setScale(decimals.intValue(), RoundingMode.HALF_UP);
    }

    private BigDecimal number() {
        next();
        int from = at;
        while (at < text.length() && (Character.isDigit(text.charAt(at)) || text.charAt(at) == '.')) {
            at++;
        }
        // also says that an empty one is none
        return new BigDecimal(text.substring(from, at));
    }
}
