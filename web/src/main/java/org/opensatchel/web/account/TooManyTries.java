package org.opensatchel.web.account;

import java.time.Duration;
import org.springframework.security.core.AuthenticationException;

/** A sign-in that is not looked at yet, since too many before it were wrong. */
class TooManyTries extends AuthenticationException {

    private static final long serialVersionUID = 1L;

    private final Duration wait;

    TooManyTries(Duration wait) {
        super("too many wrong tries");
        this.wait = wait;
    }

    long seconds() {
        return Math.max(1, wait.toSeconds() + 1);
    }
}
