package org.jontrel.core.spelling;

import java.math.BigDecimal;
import java.util.Optional;

/** Sums that have an end as a decimal. */
final class Exact {
    private Exact() {}

    /** Empty where the quotient goes on for ever. */
    static Optional<BigDecimal> divided(BigDecimal number, BigDecimal by) {
        if (by.signum() == 0) {
            return Optional.empty();
        }
        try {
            var quotient = number.divide(by).stripTrailingZeros();
            return Optional.of(quotient.setScale(Math.max(0, quotient.scale())));
        } catch (ArithmeticException _) {
            return Optional.empty();
        }
    }
}
