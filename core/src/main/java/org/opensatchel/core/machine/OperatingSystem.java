package org.opensatchel.core.machine;

import java.util.Locale;

/** The systems whose path rules differ. */
public enum OperatingSystem {
    WINDOWS, MACOS, LINUX;

    public String word() {
        return name().toLowerCase(Locale.ROOT);
    }
}
