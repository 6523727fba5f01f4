package org.opensatchel.core;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.core.importer.Location;

/** What ships: no tests, also not those of another module that come as an archive. */
public final class OwnClasses implements ImportOption {

    @Override
    public boolean includes(Location location) {
        return Predefined.DO_NOT_INCLUDE_TESTS.includes(location) && !location.contains("-tests.jar");
    }
}
