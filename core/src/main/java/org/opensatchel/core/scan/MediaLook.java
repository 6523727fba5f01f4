package org.opensatchel.core.scan;

import java.io.IOException;
import java.io.InputStream;
import java.util.Optional;
import org.opensatchel.core.media.format.BytesNotAtHand;
import org.opensatchel.core.media.format.MediaBytes;
import org.opensatchel.core.media.format.MediaFacts;
import org.opensatchel.core.media.format.MediaReaders;
import org.opensatchel.core.media.format.Samples;
import org.opensatchel.core.project.ProjectFile;
import org.opensatchel.core.project.RandomContent;

/** What a picture, a sound or a film says of itself: read where it lies, or from what was kept of it while it went by. */
final class MediaLook {

    private MediaLook() {
    }

    /** @param kept null where nothing was kept; of a file of which the needed parts are not at hand nothing is told */
    static Optional<MediaFacts> at(ProjectFile file, InputStream raw, KeptContent kept) throws IOException {
        String extension = file.path().extension();
        try {
            if (raw instanceof RandomContent random) {
                return MediaReaders.read(extension, new Lying(random, random.length()));
            }
            // What ended early is told as damaged, and not for what it would have said.
            return kept != null && kept.length() == file.bytes() ? MediaReaders.read(extension, kept) : Optional.empty();
        } catch (BytesNotAtHand far) {
            return Optional.empty();
        }
    }

    /** Where samples lie that are stored as they are, found in the same way. */
    static Optional<Samples> samples(ProjectFile file, InputStream raw, KeptContent kept) throws IOException {
        String extension = file.path().extension();
        try {
            if (raw instanceof RandomContent random) {
                return MediaReaders.samples(extension, new Lying(random, random.length()));
            }
            return kept != null && kept.length() == file.bytes() ? MediaReaders.samples(extension, kept) : Optional.empty();
        } catch (BytesNotAtHand far) {
            return Optional.empty();
        }
    }

    private record Lying(RandomContent content, long length) implements MediaBytes {
        @Override
        public byte[] read(long at, int count) throws IOException {
            return content.read(at, count);
        }
    }
}
