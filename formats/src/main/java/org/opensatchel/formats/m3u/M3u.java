package org.opensatchel.formats.m3u;

import org.opensatchel.formats.format.Format;
import org.opensatchel.formats.kind.FileKind;

/** M3U playlists and HTTP Live Streaming ones (RFC 8216). */
public final class M3u {

    public static final Format FORMAT = Format.of("m3u")
            .endings(FileKind.OTHER, "m3u", "m3u8")
            .links(new M3uLinks());

    private M3u() {
    }
}
