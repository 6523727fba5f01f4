package org.opensatchel.web.storage;

import java.nio.file.Path;

/** A store whose contents are files of this machine, which saves a copy to whoever needs one. */
interface OnDisk {

    /** The content's own file, to be read only. */
    Path file(String sha256);
}
