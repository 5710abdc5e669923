package org.jontrel.server.account;

import java.nio.charset.StandardCharsets;
import java.security.SecureRandom;
import java.util.List;
import org.jontrel.server.web.Refusal;
import org.jontrel.server.web.Settings;
import org.jontrel.site.table.RecordIds;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Service;

/** People and their passwords. */
@Service
class Accounts {
    /** The hash function reads no more bytes than this, so a longer password would be cut without a word. */
    private static final int MOST_BYTES = 72;

    private static final int FEWEST = 8;
    private static final int MOST_FAILURES = 5;
    private static final int MOST_FAILURES_FROM = 50;
    private static final Logger LOG = LoggerFactory.getLogger(Accounts.class);
    private final AccountMapper mapper;
    private final PasswordEncoder encoder;
    private final RecordIds ids;
    private final String setupCode;
    private final String nobody;

    Accounts(AccountMapper mapper, PasswordEncoder encoder, RecordIds ids, Settings settings) {
        this.mapper = mapper;
        this.encoder = encoder;
        this.ids = ids;
        this.setupCode = settings.setupCode().isBlank() ? freshCode() : settings.setupCode();
        this.nobody = encoder.encode(freshCode());
    }

    private static String freshCode() {
        var signs = "abcdefghjkmnpqrstuvwxyz23456789";
        var code = new StringBuilder();
        var random = new SecureRandom();
        for (int i = 0; i < 12; i++) {
            code.append(i > 0 && i % 4 == 0 ? "-" : "").append(signs.charAt(random.nextInt(signs.length())));
        }
        return code.toString();
    }

    @EventListener(ApplicationReadyEvent.class)
    void sayCode() {
        if (needsSetup()) {
            LOG.info("No accounts yet. Set-up code for the first architect: {}", setupCode);
        }
    }

    boolean needsSetup() {
        return mapper.count() == 0;
    }

    void setUp(String code, String name, String password) {
        if (!needsSetup()) {
            throw Refusal.conflict("This installation is already set up. Sign in instead.", null);
        }
        if (!java.security.MessageDigest.isEqual(
                code.strip().getBytes(StandardCharsets.UTF_8), setupCode.getBytes(StandardCharsets.UTF_8))) {
            throw Refusal.invalid(
                    "The set-up code is wrong. It is printed on the terminal where Jontrel was started.", List.of());
        }
        add(name, Role.ARCHITECT, password);
    }

    void add(String name, Role role, String password) {
        var trimmed = name.strip();
        if (trimmed.isEmpty() || trimmed.length() > 100) {
            throw Refusal.invalid("A name has 1 to 100 characters.", List.of());
        }
        if (password.length() < FEWEST || password.getBytes(StandardCharsets.UTF_8).length > MOST_BYTES) {
            throw Refusal.invalid("A password has at least 8 characters and at most 72 bytes.", List.of());
        }
        try {
            mapper.insert(new AccountMapper.AccountRow(ids.next(), trimmed, role, encoder.encode(password)));
        } catch (DuplicateKeyException _) {
            throw Refusal.conflict("There is already an account named " + trimmed + ".", null);
        }
    }

    List<AccountMapper.AccountRow> all() {
        return mapper.all();
    }

    /** The account, where name and password are right and there were not too many wrong tries. */
    AccountMapper.AccountRow signIn(String name, String password, String address) {
        var shortened = name.length() > 100 ? name.substring(0, 100) : name;
        if (mapper.failures(shortened, address) >= MOST_FAILURES
                || mapper.failuresFrom(address) >= MOST_FAILURES_FROM) {
            throw Refusal.tooMany("Too many wrong tries. Wait ten minutes, then try again.");
        }
        var account = mapper.find(shortened);
        // an unknown name takes as long as a wrong password, so that names cannot be found out
        boolean right = encoder.matches(password, account == null ? nobody : account.passwordHash());
        if (account == null || !right) {
            mapper.fail(ids.next(), shortened, address);
            throw Refusal.unauthorized("Name or password is wrong.");
        }
        mapper.forgive(shortened, address);
        return account;
    }
}
