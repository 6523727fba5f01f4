package org.opensatchel.web.course;

import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.ResponseStatus;

/** Something that does not exist, or not for whoever asked: the two look alike from outside, so that nothing leaks. */
@ResponseStatus(HttpStatus.NOT_FOUND)
public class NotAccessible extends RuntimeException {

    private static final long serialVersionUID = 1L;

    public NotAccessible() {
        super("not found, or not for this account", null, false, false);
    }
}
