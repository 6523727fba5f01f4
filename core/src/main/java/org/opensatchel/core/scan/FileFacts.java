package org.opensatchel.core.scan;

import java.util.Optional;
import org.opensatchel.base.fact.Phrase;
import org.opensatchel.formats.media.MediaFacts;
import org.opensatchel.formats.sound.SoundLevels;

/**
 * What a file's content told.
 *
 * @param sha256 its hash, where it was needed and could be had
 * @param lie what the content is, when the extension says something else
 * @param zeroFilled whether it is not empty and holds nothing but zero bytes
 * @param shortcut whether it is a shortcut to another file
 * @param media what a picture, a sound or a film says of itself
 * @param levels how high and loud a sound is, where that was to be measured and could be
 */
public record FileFacts(Optional<String> sha256, Optional<Phrase> lie, boolean zeroFilled, boolean shortcut, Optional<MediaFacts> media,
        Optional<SoundLevels> levels) {

    /** A file without content whose name says that it only stands for another. */
    static final FileFacts SHORTCUT = new FileFacts(Optional.empty(), Optional.empty(), false, true, Optional.empty(), Optional.empty());

    public static final FileFacts NONE = new FileFacts(Optional.empty(), Optional.empty(), false, false, Optional.empty(),
            Optional.empty());

    FileFacts measured(Optional<SoundLevels> found) {
        return new FileFacts(sha256, lie, zeroFilled, shortcut, media, found);
    }
}
