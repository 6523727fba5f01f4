package org.opensatchel.web.account;

import java.nio.charset.StandardCharsets;
import java.security.SecureRandom;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.opensatchel.base.hash.Sha256;
import org.opensatchel.base.text.Shortened;
import org.opensatchel.web.text.Speech;
import org.springframework.security.core.userdetails.UserDetailsService;
import org.springframework.security.core.userdetails.UsernameNotFoundException;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Accounts: who there is, how they are made, and how their owners choose passwords. */
@Service
public class AccountService implements UserDetailsService {

    /** Shortest password that is taken, in characters. */
    public static final int SHORTEST_PASSWORD = 8;
    /** The longest, in bytes: of more the hash takes no notice. */
    private static final int LONGEST_PASSWORD = 72;
    private static final int LONGEST_LOGIN = 50;
    /** So many names are asked for in one question. */
    private static final int MOST_AT_ONCE = 5_000;
    private static final Duration LINK_LIVES = Duration.ofDays(30);
    private static final String SIGNS = "abcdefghjkmnpqrstuvwxyz23456789";
    private static final int TOKEN_SIGNS = 20;
    private static final int TOKEN_GROUP = 5;
    private static final SecureRandom RANDOM = new SecureRandom();

    private final AccountRepository accounts;
    private final AccountRows rows;
    private final PasswordEncoder passwords;
    private final SignInGuard guard;
    private final Clock clock;

    AccountService(AccountRepository accounts, AccountRows rows, PasswordEncoder passwords, SignInGuard guard, Clock clock) {
        this.guard = guard;
        this.accounts = accounts;
        this.rows = rows;
        this.passwords = passwords;
        this.clock = clock;
    }

    /** An account as others see it; no password is part of it. */
    public record AccountView(long id, String login, String name, Role role, boolean hasPassword) {
        static AccountView of(Account account) {
            return new AccountView(account.id(), account.login(), account.displayName(), account.role(), account.passwordHash() != null);
        }

        public boolean isInstructor() {
            return role == Role.INSTRUCTOR;
        }
    }

    @Override
    @Transactional(readOnly = true)
    public SignedIn loadUserByUsername(String login) {
        return accounts.findByLogin(known(login)).map(SignedIn::new).orElseThrow(() -> new UsernameNotFoundException("no such account"));
    }

    /** A name that cannot be one is nobody's; a NUL never reaches the database. */
    private static String known(String login) {
        return login.indexOf('\0') >= 0 || login.length() > 254 ? "" : login.strip().toLowerCase(Locale.ROOT);
    }

    /** Makes an account with a password, for the demo, and returns its number. */
    @Transactional
    public long create(String login, String displayName, String password, Role role) {
        return accounts.save(new Account(login, displayName, passwords.encode(password), role, null, null)).id();
    }

    /**
     * Makes an account whose owner chooses the password by a link.
     *
     * @param wish the sign-in that would be liked; another is found where it is taken
     * @param email the whole address, empty where none is known
     * @param course the course it is made for, empty for none
     */
    @Transactional
    public AccountView make(String wish, String displayName, String email, Role role, Optional<Long> course) {
        String address = known(email).isEmpty() || accounts.findByEmail(known(email)).isPresent() ? null : known(email);
        return AccountView.of(accounts.save(new Account(free(wish), displayName, null, role, address, course.orElse(null))));
    }

    private String free(String wish) {
        String plain = known(wish).replaceAll("[\\p{Cntrl}\\p{Cf}\\s]", "");
        String base = plain.isEmpty() ? "student" : Shortened.cut(plain, LONGEST_LOGIN);
        for (int n = 1;; n++) {
            String login = n == 1 ? base : base + n;
            if (accounts.findByLogin(login).isEmpty()) {
                return login;
            }
        }
    }

    /** What an account is called on pages; empty when there is none. */
    @Transactional(readOnly = true)
    public String displayName(long accountId) {
        return accounts.findById(accountId).map(Account::displayName).orElse("");
    }

    @Transactional(readOnly = true)
    public Optional<AccountView> byLogin(String login) {
        return accounts.findByLogin(known(login)).map(AccountView::of);
    }

    @Transactional(readOnly = true)
    public Optional<AccountView> byEmail(String email) {
        return known(email).isEmpty() ? Optional.empty() : accounts.findByEmail(known(email)).map(AccountView::of);
    }

    /** The accounts with some addresses, by these. */
    @Transactional(readOnly = true)
    public Map<String, AccountView> byEmails(List<String> emails) {
        return several(emails, accounts::findByEmailIn, Account::email);
    }

    /** The accounts with some names to sign in with, by these. */
    @Transactional(readOnly = true)
    public Map<String, AccountView> byLogins(List<String> logins) {
        return several(logins, accounts::findByLoginIn, Account::login);
    }

    private static Map<String, AccountView> several(List<String> names, Function<Collection<String>, List<Account>> find,
            Function<Account, String> name) {
        Map<String, AccountView> out = new HashMap<>();
        for (int from = 0; from < names.size(); from += MOST_AT_ONCE) {
            find.apply(names.subList(from, Math.min(names.size(), from + MOST_AT_ONCE)))
                    .forEach(account -> out.put(name.apply(account), AccountView.of(account)));
        }
        return out;
    }

    @Transactional(readOnly = true)
    public Optional<AccountView> byId(long accountId) {
        return accounts.findById(accountId).map(AccountView::of);
    }

    /** The addresses of those of some accounts that have one. */
    @Transactional(readOnly = true)
    public Map<Long, String> addresses(Collection<Long> ids) {
        return ids.isEmpty() ? Map.of()
                : accounts.addressed(ids).stream()
                        .collect(Collectors.toMap(AccountRepository.Addressed::getId, AccountRepository.Addressed::getEmail));
    }

    /**
     * Corrects what an account is called and where mail for it goes, for somebody whose own students alone it is.
     *
     * @param email the whole address, empty for none
     * @return whether it was done; not when the address is somebody else's
     */
    @Transactional
    public boolean correct(long accountId, String displayName, String email) {
        String address = known(email);
        if (!address.isEmpty() && accounts.findByEmail(address).filter(one -> one.id() != accountId).isPresent()) {
            return false;
        }
        Account account = accounts.findById(accountId).orElseThrow();
        account.called(displayName);
        account.address(address.isEmpty() ? null : address);
        return true;
    }

    /** Notes an address for an account that has none. */
    @Transactional
    public void address(long accountId, String email) {
        if (accounts.findByEmail(known(email)).isEmpty()) {
            accounts.address(accountId, known(email));
        }
    }

    @Transactional(readOnly = true)
    public List<AccountView> all() {
        return accounts.all().stream().map(AccountView::of).toList();
    }

    @Transactional(readOnly = true)
    public boolean isEmpty() {
        return accounts.count() == 0;
    }

    /** Makes the one link by which the owner of an account chooses a password; those made before work no more. It cannot be had again. */
    @Transactional
    public String link(long accountId) {
        String token = token();
        Instant now = clock.instant();
        rows.putLink(accountId, hash(token), now, now.plus(LINK_LIVES));
        return token;
    }

    /** A secret of a hundred bits that can be typed from paper: no two of its signs look alike. */
    private static String token() {
        StringBuilder out = new StringBuilder();
        for (int i = 0; i < TOKEN_SIGNS; i++) {
            out.append(i > 0 && i % TOKEN_GROUP == 0 ? "-" : "").append(SIGNS.charAt(RANDOM.nextInt(SIGNS.length())));
        }
        return out.toString();
    }

    /** Whose password a link sets; empty when it was used, is too old, or never was. */
    @Transactional(readOnly = true)
    public Optional<AccountView> linked(String token) {
        return rows.linked(hash(token), clock.instant()).flatMap(accounts::findById).map(AccountView::of);
    }

    /** Sets a password by a link, which then works no more; else the sentence that says why not. */
    @Transactional
    public Optional<String> choose(String token, String password) {
        Optional<String> wrong = wrong(password);
        if (wrong.isPresent()) {
            return wrong;
        }
        Optional<Long> account = rows.use(hash(token), clock.instant());
        if (account.isEmpty()) {
            return Optional.of(Speech.say("welcome.used"));
        }
        accounts.findById(account.get()).orElseThrow().password(passwords.encode(password));
        rows.removeLinks(account.get());
        return Optional.empty();
    }

    /** The language somebody chose for themselves; empty where they left it to the course or the browser. */
    @Transactional(readOnly = true)
    public Optional<String> language(long accountId) {
        return rows.language(accountId);
    }

    /** @param language a language there is, or empty to leave it to the course or the browser */
    @Transactional
    public void speak(long accountId, String language) {
        rows.choose(accountId, Speech.known(language));
    }

    /** Whether somebody is signed in with the password that is theirs now: a changed one ends every session but that in which it was changed. */
    @Transactional(readOnly = true)
    public boolean isCurrent(SignedIn who) {
        return SignedIn.stamp(accounts.passwordHash(who.accountId()).orElse(null)).equals(who.stamp());
    }

    /**
     * Changes a password for its owner, who knows the one there is; else the sentence that says why not. Trying is slowed down like signing in.
     *
     * @param address where they try it from
     */
    @Transactional
    public Optional<String> change(long accountId, String before, String after, String address) {
        Account account = accounts.findById(accountId).orElseThrow();
        Duration wait = guard.wait(account.login(), address);
        if (!wait.isZero()) {
            return Optional.of(Speech.say("account.wait", Math.max(1, wait.toSeconds())));
        }
        if (account.passwordHash() == null || !passwords.matches(before, account.passwordHash())) {
            guard.wrong(account.login(), address);
            return Optional.of(Speech.say("account.not-now"));
        }
        guard.right(account.login());
        Optional<String> wrong = wrong(after);
        if (wrong.isEmpty()) {
            account.password(passwords.encode(after));
        }
        return wrong;
    }

    private static Optional<String> wrong(String password) {
        if (password.codePointCount(0, password.length()) < SHORTEST_PASSWORD) {
            return Optional.of(Speech.say("account.too-short", SHORTEST_PASSWORD));
        }
        return password.getBytes(StandardCharsets.UTF_8).length > LONGEST_PASSWORD
                ? Optional.of(Speech.say("account.too-long", LONGEST_PASSWORD))
                : Optional.empty();
    }

    private static String hash(String token) {
        return Sha256.of(token.toLowerCase(Locale.ROOT).getBytes(StandardCharsets.UTF_8));
    }
}
