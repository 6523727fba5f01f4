package org.opensatchel.core.media.format;

import java.io.IOException;
import java.util.List;
import java.util.Optional;
import org.opensatchel.core.media.format.MediaFacts.End;

/** All containers whose facts are read, each recognised by how a file begins, whatever it is called. */
public final class MediaReaders {

    static final List<MediaReader> ALL = List.of(new PngReader(), new JpegReader(), new GifReader(), new BmpReader(), new WebpReader(),
            new TiffReader(), new WavReader(), new AiffReader(), new FlacReader(), new OggReader(), new Mp4Reader(), new Mp3Reader());

    private MediaReaders() {
    }

    /**
     * What a file says of itself; empty where it is none of these.
     *
     * @throws BytesNotAtHand where a part is missing that has to be read
     */
    public static Optional<MediaFacts> read(MediaBytes bytes) throws IOException {
        Window file = new Window(bytes);
        for (MediaReader reader : ALL) {
            if (recognises(reader, file)) {
                try {
                    return Optional.of(reader.read(file));
                } catch (CutOff within) {
                    return Optional.of(MediaFacts.none(reader.container(), End.CUT));
                }
            }
        }
        return Optional.empty();
    }

    private static boolean recognises(MediaReader reader, Window file) throws IOException {
        try {
            return reader.recognises(file);
        } catch (CutOff tooShort) {
            return false;
        }
    }
}
