package org.opensatchel.core.kit;

import java.util.Locale;

/** Whether something planned has to be there. */
public enum Need {
    REQUIRED, OPTIONAL, FORBIDDEN;

    public String word() {
        return name().toLowerCase(Locale.ROOT);
    }
}
