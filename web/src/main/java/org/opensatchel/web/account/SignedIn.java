package org.opensatchel.web.account;

import java.nio.charset.StandardCharsets;
import java.util.List;
import org.opensatchel.base.hash.Sha256;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.springframework.security.core.userdetails.User;

/** Whoever is signed in, as the security filter knows them. */
public class SignedIn extends User {

    private static final long serialVersionUID = 1L;
    /** The form of a hash, of nothing. */
    private static final String NO_PASSWORD = "{bcrypt}$2a$10$" + "a".repeat(22) + "b".repeat(31);

    private final long accountId;
    private final String displayName;
    private final Role role;
    private final String stamp;

    SignedIn(Account account) {
        // Who has chosen no password has none that goes with it.
        super(account.login(), account.passwordHash() == null ? NO_PASSWORD : account.passwordHash(),
                List.of(new SimpleGrantedAuthority("ROLE_" + account.role())));
        this.accountId = account.id();
        this.displayName = account.displayName();
        this.role = account.role();
        this.stamp = stamp(account.passwordHash());
    }

    public long accountId() {
        return accountId;
    }

    /** What changes with the password, and tells nothing of it. */
    static String stamp(String passwordHash) {
        return passwordHash == null ? "" : Sha256.of(passwordHash.getBytes(StandardCharsets.UTF_8));
    }

    String stamp() {
        return stamp;
    }

    public String displayName() {
        return displayName;
    }

    public boolean isInstructor() {
        return role == Role.INSTRUCTOR;
    }

    @Override
    public boolean equals(Object other) {
        return super.equals(other);
    }

    @Override
    public int hashCode() {
        return super.hashCode();
    }
}
