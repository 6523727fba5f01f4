package org.opensatchel.core.scan;

import java.io.IOException;
import java.io.InputStream;
import java.util.Arrays;
import java.util.Optional;
import java.util.OptionalLong;
import org.opensatchel.core.project.FileParts;
import org.opensatchel.core.project.ProjectFile;
import org.opensatchel.core.project.RandomContent;
import org.opensatchel.formats.MediaReaders;
import org.opensatchel.formats.binary.BytesNotAtHand;
import org.opensatchel.formats.binary.MediaBytes;
import org.opensatchel.formats.media.MediaFacts;
import org.opensatchel.formats.media.Samples;

/** What a picture, a sound or a film says of itself: read where it lies, or from what was kept of it while it went by. */
final class MediaLook {

    private static final int MOST_BEGINNING = 1 << 20;

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
            return kept == null ? Optional.empty() : beginning(extension, kept.beginning());
        }
    }

    /** What the parts of a file say that did not come along as a whole. */
    static Optional<MediaFacts> of(ProjectFile file, FileParts parts) throws IOException {
        String extension = file.path().extension();
        try {
            return MediaReaders.read(extension, new Sent(parts));
        } catch (BytesNotAtHand far) {
            return beginning(extension, parts.beginning(MOST_BEGINNING));
        }
    }

    /**
     * What a file says at its beginning, where the rest is not at hand: how large its pictures are, and how its sound is coded. How long it
     * is, and whether it is whole, nobody knows then.
     */
    private static Optional<MediaFacts> beginning(String extension, byte[] bytes) throws IOException {
        return MediaReaders.read(extension, new Start(bytes)).filter(MediaFacts::saysAnything)
                .map(media -> new MediaFacts(media.container(), MediaFacts.End.UNREAD, Optional.empty(),
                        media.pictures().stream().map(MediaLook::still).toList(), media.sounds()));
    }

    private static MediaFacts.Picture still(MediaFacts.Picture picture) {
        return new MediaFacts.Picture(picture.codec(), picture.width(), picture.height(), picture.pixelAspect(), picture.turned(),
                Optional.empty(), Optional.empty(), OptionalLong.empty(), picture.bits(), picture.alpha(),
                picture.colour());
    }

    private record Start(byte[] bytes) implements MediaBytes {
        @Override
        public long length() {
            return bytes.length;
        }

        @Override
        public byte[] read(long at, int count) {
            return at >= bytes.length ? new byte[0] : Arrays.copyOfRange(bytes, (int) at, (int) Math.min(bytes.length, at + count));
        }
    }

    private record Sent(FileParts parts) implements MediaBytes {
        @Override
        public long length() {
            return parts.length();
        }

        @Override
        public byte[] read(long at, int count) throws IOException {
            byte[] bytes = parts.read(at, count);
            if (bytes == null) {
                throw new BytesNotAtHand(at);
            }
            return bytes;
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
