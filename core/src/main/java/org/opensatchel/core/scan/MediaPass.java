package org.opensatchel.core.scan;

import java.io.IOException;
import java.io.InputStream;
import java.util.BitSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.project.ContentUnavailable;
import org.opensatchel.core.project.FileParts;
import org.opensatchel.core.project.ProjectFile;
import org.opensatchel.core.project.ProjectSource;
import org.opensatchel.formats.MediaReaders;
import org.opensatchel.formats.TypeProbe;
import org.opensatchel.formats.media.MediaFacts;
import org.opensatchel.formats.media.SoundLook;
import org.opensatchel.formats.sound.Envelope;

/** What is found out about media in a scan; a reader that breaks costs its own file's facts only. */
final class MediaPass {

    private static final String MEDIA = "media";

    private final ProjectSource source;
    private final Listening listening;

    MediaPass(ProjectSource source, Listening listening) {
        this.source = source;
        this.listening = listening;
    }

    static Optional<MediaFacts> facts(ProjectFile file, InputStream raw, KeptContent kept, ScanResult result) throws IOException {
        try {
            return MediaLook.at(file, raw, kept);
        } catch (RuntimeException | StackOverflowError | LinkageError broke) {
            broke(result, broke);
            return Optional.empty();
        }
    }

    /**
     * What came of a file that did not come along as a whole.
     *
     * @param failures takes what broke
     */
    Optional<FileFacts> ofParts(ProjectFile file, Map<ProjectPath, String> failures) throws IOException {
        Optional<FileParts> parts = source.parts(file.entry());
        if (parts.isEmpty() || !MediaReaders.mayBe(file.path().extension(), parts.get().beginning(TypeProbe.HEAD_BYTES))) {
            return Optional.empty();
        }
        try {
            return MediaLook.of(file, parts.get())
                    .map(media -> new FileFacts(Optional.empty(), Optional.empty(), false, false, Optional.of(media), Optional.empty()));
        } catch (RuntimeException | StackOverflowError | LinkageError broke) {
            failures.put(file.path(), MEDIA);
            BrokenReader.tell(MEDIA, broke);
            return Optional.empty();
        }
    }

    /** Which files are listened to. */
    BitSet heard(List<ProjectFile> files) {
        BitSet out = new BitSet();
        for (int i = 0; i < files.size(); i++) {
            out.set(i, listening.at(files.get(i).path()) != Listening.To.NOTHING);
        }
        return out;
    }

    /** The levels of a sound, which is read once more for them; one that cannot be had a second time has none. */
    void listen(ProjectFile file, ScanResult result) throws IOException {
        Optional<MediaFacts> media = result.facts.media();
        if (media.isEmpty()) {
            return;
        }
        try (InputStream content = source.open(file.entry())) {
            boolean loud = listening.at(file.path()) == Listening.To.LOUDNESS;
            result.facts = result.facts.measured(SoundLook.measure(content, media.get(), result.samples, file.bytes(),
                    Envelope.REPORTED, loud));
        } catch (ContentUnavailable gone) {
            result.damage = gone.what();
        } catch (RuntimeException | StackOverflowError | LinkageError broke) {
            broke(result, broke);
        }
    }

    private static void broke(ScanResult result, Throwable why) {
        result.failure = MEDIA;
        BrokenReader.tell(MEDIA, why);
    }
}
