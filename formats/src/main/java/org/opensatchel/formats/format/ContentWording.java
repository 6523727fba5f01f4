package org.opensatchel.formats.format;

import static org.opensatchel.base.fact.FactName.TEXT;
import static org.opensatchel.base.fact.FactName.TYPE;

import java.util.Set;
import org.opensatchel.base.fact.FactName;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.fact.Wording;

/** What a file is by its content. */
public enum ContentWording implements Wording {
    PNG,
    JPEG,
    GIF,
    BMP,
    TIFF,
    WEBP,
    OPENEXR,
    HEIC,
    AVIF,
    WAVE,
    FLAC,
    MP3,
    OGG,
    AIFF,
    MP4,
    MATROSKA,
    AVI,
    PDF,
    GLTF,
    FONT,
    WOFF,
    TEXT,
    WEB_PAGE,
    SVG,
    OTHER(TYPE);

    private final Set<FactName> takes;

    ContentWording(FactName... takes) {
        this.takes = Facts.declared(takes);
    }

    @Override
    public String key() {
        return Wording.key("content", this);
    }

    @Override
    public Set<FactName> takes() {
        return takes;
    }
}
