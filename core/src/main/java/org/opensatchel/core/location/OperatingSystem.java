package org.opensatchel.core.location;

import java.util.Locale;

/** The systems whose path rules differ. */
public enum OperatingSystem {
    WINDOWS, MACOS, LINUX;

    public String word() {
        return name().toLowerCase(Locale.ROOT);
    }
}
