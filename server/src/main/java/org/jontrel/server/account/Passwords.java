package org.jontrel.server.account;

import com.nulabinc.zxcvbn.StandardDictionaries;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import org.jontrel.serve.web.Refusal;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Component;

/** Which passwords will do, and whether one is right. */
@Component
class Passwords {
    private static final int FEWEST = 12;
    /** The hash function reads no more bytes than this, so a longer password would be cut without a word. */
    private static final int MOST_BYTES = 72;

    private static final int FEWEST_SIGNS = 5;
    private static final int WAIT_SECONDS = 5;
    private final PasswordEncoder encoder;
    private final Set<String> common;
    /** Hashing is slow on purpose: so many at once leave the processor to others. */
    private final Semaphore places =
            new Semaphore(Math.max(2, Runtime.getRuntime().availableProcessors()));

    Passwords(PasswordEncoder encoder) {
        this.encoder = encoder;
        try {
            this.common =
                    new HashSet<>(StandardDictionaries.PASSWORDS_LOADER.load().getFrequencies());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** The hash of a password that will do for somebody of this name. */
    String hash(String password, String name) {
        if (password.codePointCount(0, password.length()) < FEWEST
                || password.getBytes(StandardCharsets.UTF_8).length > MOST_BYTES) {
            throw Refusal.invalid("A password must have at least 12 characters and at most 72 bytes.", List.of());
        }
        var plain = password.toLowerCase(Locale.ROOT);
        if (plain.codePoints().distinct().count() < FEWEST_SIGNS || common.contains(plain) || isCommonTwice(plain)) {
            throw Refusal.invalid(
                    "This password is one of those that attackers try first. Choose another; four unrelated words work well.",
                    List.of());
        }
        if (plain.equals(name.toLowerCase(Locale.ROOT))) {
            throw Refusal.invalid("A password must differ from the name.", List.of());
        }
        return measured(() -> encoder.encode(password));
    }

    /** A common one written several times, or with figures behind it to make it long enough. */
    private boolean isCommonTwice(String plain) {
        var bare = plain.replaceAll("[^\\p{L}]+$", "");
        for (int length = 3; length <= plain.length() / 2; length++) {
            var part = plain.substring(0, length);
            if (plain.length() % length == 0
                    && part.repeat(plain.length() / length).equals(plain)) {
                return true;
            }
        }
        return common.contains(bare);
    }

    boolean matches(String password, String hash) {
        return measured(() -> encoder.matches(password, hash));
    }

    private <T> T measured(java.util.function.Supplier<T> work) {
        try {
            if (!places.tryAcquire(WAIT_SECONDS, TimeUnit.SECONDS)) {
                throw Refusal.unavailable("Too many people are signing in right now. Try again in a moment.");
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
        try {
            return work.get();
        } finally {
            places.release();
        }
    }
}
