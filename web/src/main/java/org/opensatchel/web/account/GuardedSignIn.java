package org.opensatchel.web.account;

import java.time.Duration;
import org.springframework.security.authentication.AuthenticationProvider;
import org.springframework.security.authentication.BadCredentialsException;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.authentication.dao.DaoAuthenticationProvider;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.userdetails.UsernameNotFoundException;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.security.web.authentication.WebAuthenticationDetails;
import org.springframework.stereotype.Component;

/** Signing in by name and password, slowed down by wrong tries. */
@Component
class GuardedSignIn implements AuthenticationProvider {

    private final SignInGuard guard;
    private final DaoAuthenticationProvider passwords;

    GuardedSignIn(SignInGuard guard, AccountService accounts, PasswordEncoder encoder) {
        this.guard = guard;
        this.passwords = new DaoAuthenticationProvider(accounts);
        this.passwords.setPasswordEncoder(encoder);
    }

    @Override
    public Authentication authenticate(Authentication tried) {
        String login = tried.getName();
        String address = tried.getDetails() instanceof WebAuthenticationDetails details ? details.getRemoteAddress() : "";
        Duration wait = guard.wait(login, address);
        if (!wait.isZero()) {
            throw new TooManyTries(wait);
        }
        try {
            Authentication signedIn = passwords.authenticate(tried);
            guard.right(login);
            return signedIn;
        } catch (BadCredentialsException | UsernameNotFoundException wrong) {
            guard.wrong(login, address);
            throw wrong;
        }
    }

    @Override
    public boolean supports(Class<?> kind) {
        return UsernamePasswordAuthenticationToken.class.isAssignableFrom(kind);
    }
}
