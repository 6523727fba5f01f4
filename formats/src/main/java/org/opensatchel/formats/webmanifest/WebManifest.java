package org.opensatchel.formats.webmanifest;

import org.opensatchel.formats.format.Format;
import org.opensatchel.formats.kind.FileKind;

/** Manifests of web applications (W3C Web Application Manifest). */
public final class WebManifest {

    public static final Format FORMAT = Format.of("webmanifest")
            .endings(FileKind.OTHER, "webmanifest")
            .links(new WebManifestLinks());

    private WebManifest() {
    }
}
