package org.jontrel.server.account;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.SecureRandom;
import java.time.Duration;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.jontrel.serve.web.Rate;
import org.jontrel.serve.web.Refusal;
import org.jontrel.serve.web.Secrets;
import org.jontrel.server.trail.Trail;
import org.jontrel.server.trail.TrailAction;
import org.jontrel.server.web.Settings;
import org.jontrel.site.table.RecordIds;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.stereotype.Service;

/** People: who they are, what they may do, and their passwords. */
@Service
class Accounts {
    private static final Logger LOG = LoggerFactory.getLogger(Accounts.class);
    private static final Duration SPAN = Duration.ofMinutes(10);
    private final AccountMapper mapper;
    private final Passwords passwords;
    private final Sessions sessions;
    private final Trail trail;
    private final RecordIds ids;
    private final String setupCode;
    private final String nobody;
    private final Rate fromAddress = new Rate(50, SPAN);
    private final Rate asNameFromAddress = new Rate(5, SPAN);
    private final Rate asName = new Rate(50, SPAN);
    /** As other processes may change accounts too, not for long. */
    private final Cache<String, Optional<AccountMapper.AccountRow>> current = Caffeine.newBuilder()
            .maximumSize(10_000)
            .expireAfterWrite(Duration.ofSeconds(5))
            .build();

    Accounts(
            AccountMapper mapper,
            Passwords passwords,
            Sessions sessions,
            Trail trail,
            RecordIds ids,
            Settings settings) {
        this.mapper = mapper;
        this.passwords = passwords;
        this.sessions = sessions;
        this.trail = trail;
        this.ids = ids;
        this.setupCode = settings.setupCode().isBlank() ? freshCode() : settings.setupCode();
        this.nobody = passwords.hash(Secrets.fresh(), "");
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
    void begin() {
        if (needsSetup()) {
            LOG.info("No accounts yet. Set-up code for the first architect: {}", setupCode);
        }
        for (var account : mapper.all()) {
            if (account.skeleton() == null) {
                try {
                    mapper.skeleton(account.id(), AccountNames.skeleton(account.name()));
                } catch (DuplicateKeyException _) {
                    LOG.warn(
                            "The account {} has a name that looks like another's. Delete one of them.", account.name());
                }
            }
        }
    }

    boolean needsSetup() {
        return mapper.count() == 0;
    }

    synchronized void setUp(String code, String name, String password, String address) {
        if (!needsSetup()) {
            throw Refusal.conflict("This installation is already set up. Sign in instead.", null);
        }
        taken(fromAddress.take(address));
        if (!MessageDigest.isEqual(
                code.strip().getBytes(StandardCharsets.UTF_8), setupCode.getBytes(StandardCharsets.UTF_8))) {
            throw Refusal.invalid(
                    "The set-up code is wrong. It is printed on the terminal where Jontrel was started.", List.of());
        }
        add(name, Role.ARCHITECT, password);
        trail.add(name.strip(), TrailAction.SIGNED_IN, "with the set-up code");
    }

    void add(String typed, Role role, String password) {
        var name = AccountNames.checked(typed);
        try {
            mapper.insert(new AccountMapper.AccountRow(
                    ids.next(), name, role, passwords.hash(password, name), false, AccountNames.skeleton(name)));
        } catch (DuplicateKeyException _) {
            throw Refusal.conflict("There is already an account named " + name + ", or one that looks like it.", null);
        }
        current.invalidateAll();
        trail.add(TrailAction.ACCOUNT_ADDED, name + ", " + word(role));
    }

    private static String word(Role role) {
        return role.name().toLowerCase(Locale.ROOT);
    }

    List<AccountMapper.AccountRow> all() {
        return mapper.all();
    }

    AccountMapper.AccountRow get(long id) {
        return Optional.ofNullable(mapper.byId(id)).orElseThrow(() -> Refusal.missing("There is no such account."));
    }

    /** The account as it is now, where it may be used. */
    Optional<AccountMapper.AccountRow> active(String name) {
        return current.get(name, each -> Optional.ofNullable(mapper.find(each)))
                .filter(account -> !account.disabled() && account.name().equals(name));
    }

    /** Also in sessions that run. */
    synchronized void change(long id, Role role, boolean disabled) {
        var account = get(id);
        if (role != Role.ARCHITECT || disabled) {
            notTheLast(account);
        }
        mapper.change(id, role, disabled);
        current.invalidateAll();
        if (disabled) {
            sessions.end(account.name());
        }
        trail.add(TrailAction.ACCOUNT_CHANGED, account.name() + ", " + word(role) + (disabled ? ", disabled" : ""));
    }

    synchronized void delete(long id) {
        var account = get(id);
        notTheLast(account);
        mapper.delete(id);
        current.invalidateAll();
        sessions.end(account.name());
        trail.add(TrailAction.ACCOUNT_DELETED, account.name());
    }

    private void notTheLast(AccountMapper.AccountRow account) {
        if (account.role() == Role.ARCHITECT && !account.disabled() && mapper.otherArchitects(account.id()) == 0) {
            throw Refusal.conflict(
                    "This is the only architect who can sign in. Make somebody else an architect first.", null);
        }
    }

    /** The secret of a link with which somebody chooses a new password, once and within a day. */
    String reset(long id) {
        var account = get(id);
        var secret = Secrets.fresh();
        mapper.reset(id, Secrets.hash(secret));
        trail.add(TrailAction.RESET_LINK_MADE, account.name());
        return secret;
    }

    /** Chooses a new password by a link; ends all sessions. */
    void resetWith(String secret, String password, String address) {
        taken(fromAddress.take(address));
        var hash = Secrets.hash(secret);
        var account = Optional.ofNullable(mapper.byReset(hash))
                .orElseThrow(() -> Refusal.missing(
                        "This link was used already, or is older than a day. Ask an architect for a new one."));
        fromAddress.giveBack(address);
        if (mapper.passwordByReset(hash, passwords.hash(password, account.name())) == 0) {
            throw Refusal.conflict("This link was used already. Ask an architect for a new one.", null);
        }
        changed(account);
    }

    /** Changes one's own password; ends all sessions but the present one. */
    void changePassword(String name, String old, String password, String address) {
        var account = active(name).orElseThrow(() -> Refusal.unauthorized("Sign in again."));
        var key = account.id() + " " + address;
        taken(asNameFromAddress.take(key));
        if (!passwords.matches(old, account.passwordHash())) {
            throw Refusal.invalid("The current password is wrong.", List.of());
        }
        asNameFromAddress.giveBack(key);
        mapper.password(account.id(), passwords.hash(password, name));
        changed(account);
    }

    private void changed(AccountMapper.AccountRow account) {
        current.invalidateAll();
        sessions.endOthers(account.name());
        trail.add(account.name(), TrailAction.PASSWORD_CHANGED, account.name());
    }

    /**
     * The account, where name and password are right. Each try counts before it is answered, for the address, and for the
     * name at the address; for the name everywhere only where it has not signed in from that address before, so that nobody
     * keeps somebody else out.
     */
    AccountMapper.AccountRow signIn(String name, String password, String address) {
        var shortened = name.length() > 100 ? name.substring(0, 100) : name;
        var account = mapper.find(shortened);
        var who = account == null ? shortened.toLowerCase(Locale.ROOT) : String.valueOf(account.id());
        boolean known = account != null && trail.signedInFrom(account.name(), address);
        taken(fromAddress.take(address));
        taken(asNameFromAddress.take(who + " " + address));
        if (!known) {
            taken(asName.take(who));
        }
        // an unknown name takes as long as a wrong password, so that names cannot be found out
        boolean right = passwords.matches(password, account == null ? nobody : account.passwordHash());
        if (account == null || !right || account.disabled()) {
            trail.add(
                    shortened,
                    TrailAction.SIGN_IN_REFUSED,
                    account == null ? "no such name" : right ? "disabled" : "password");
            throw Refusal.unauthorized("Name or password is wrong.");
        }
        fromAddress.giveBack(address);
        asNameFromAddress.giveBack(who + " " + address);
        if (!known) {
            asName.giveBack(who);
        }
        trail.add(account.name(), TrailAction.SIGNED_IN, "");
        return account;
    }

    private static void taken(Duration wait) {
        if (wait.isPositive()) {
            throw Refusal.tooMany("Too many tries.", wait);
        }
    }
}
