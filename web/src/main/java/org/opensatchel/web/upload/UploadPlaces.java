package org.opensatchel.web.upload;

import org.opensatchel.web.errand.Places;
import org.springframework.stereotype.Component;

/** How many uploads come in at once, by account: each holds a thread for as long as it takes, and pages need some too. */
@Component
public class UploadPlaces extends Places<Long> {

    private static final int MOST = 80;
    private static final int MOST_OF_ONE = 2;

    UploadPlaces() {
        super(MOST, MOST_OF_ONE);
    }
}
