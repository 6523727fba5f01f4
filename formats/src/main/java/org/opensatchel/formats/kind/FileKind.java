package org.opensatchel.formats.kind;

/** What a file is, told from its extension. */
public enum FileKind {
    PICTURE("a picture"),
    SOUND("a sound"),
    MOVING_PICTURE("a moving picture"),
    MODEL("a 3D file"),
    FONT("a font"),
    TEXT("a text"),
    OTHER("a file");

    private final String phrase;

    FileKind(String phrase) {
        this.phrase = phrase;
    }

    /** The kind with its article, for sentences. */
    public String phrase() {
        return phrase;
    }

    /** Whether a document would be expected to link it. */
    public boolean isMedia() {
        return this == PICTURE || this == SOUND || this == MOVING_PICTURE;
    }
}
