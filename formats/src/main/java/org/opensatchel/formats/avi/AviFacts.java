package org.opensatchel.formats.avi;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.OptionalLong;
import org.opensatchel.formats.binary.Rational;
import org.opensatchel.formats.binary.Window;
import org.opensatchel.formats.media.MediaFacts;
import org.opensatchel.formats.media.MediaFacts.End;
import org.opensatchel.formats.media.MediaFacts.Picture;
import org.opensatchel.formats.media.MediaFacts.Sound;
import org.opensatchel.formats.media.MediaReader;
import org.opensatchel.formats.media.Samples;
import org.opensatchel.formats.media.SoundCodecs;

/** AVI (Multimedia Programming Interface, RIFF forms), with the longer files of OpenDML 1.02. */
public final class AviFacts implements MediaReader {

    private static final int MOST_CHUNKS = 20_000;
    /** Lists in lists; the form has two. */
    static final int DEEPEST = 8;
    private static final int MOST_DESCRIBING = 100_000;
    private static final Map<String, String> CODECS = Map.ofEntries(Map.entry("H264", "H.264"), Map.entry("h264", "H.264"),
            Map.entry("avc1", "H.264"), Map.entry("AVC1", "H.264"), Map.entry("HEVC", "H.265"), Map.entry("H265", "H.265"),
            Map.entry("MJPG", "Motion JPEG"), Map.entry("mjpg", "Motion JPEG"), Map.entry("FMP4", "MPEG-4 Visual"),
            Map.entry("mp4v", "MPEG-4 Visual"), Map.entry("MP4V", "MPEG-4 Visual"), Map.entry("\0\0\0\0", "uncompressed"),
            Map.entry("DIB ", "uncompressed"), Map.entry("RGB ", "uncompressed"), Map.entry("YUY2", "uncompressed"),
            Map.entry("UYVY", "uncompressed"), Map.entry("I420", "uncompressed"), Map.entry("VP80", "VP8"), Map.entry("VP90", "VP9"),
            Map.entry("AV01", "AV1"), Map.entry("FFV1", "FFV1"), Map.entry("dvsd", "DV"));

    /** The codec of pictures that has these four letters. */
    public static String named(String letters) {
        return CODECS.getOrDefault(letters, letters.strip());
    }

    @Override
    public String container() {
        return "AVI";
    }

    @Override
    public boolean recognises(Window head) throws IOException {
        return head.has(0, "RIFF") && head.has(8, "AVI ");
    }

    @Override
    public MediaFacts read(Window file) throws IOException {
        Streams streams = new Streams(file);
        End end = streams.file();
        return new MediaFacts(container(), end, streams.seconds(), streams.pictures, streams.sounds);
    }

    @Override
    public Optional<Samples> samples(Window file) throws IOException {
        Streams streams = new Streams(file);
        streams.file();
        return streams.sounds.isEmpty() ? Optional.empty() : AviSamples.of(file, streams.sounds.get(0));
    }

    /** What stands in the lists of a file. */
    private static final class Streams {
        private final Window file;
        private final List<Picture> pictures = new ArrayList<>();
        private final List<Sound> sounds = new ArrayList<>();
        private Rational longest = Rational.ZERO;
        private long allFrames;
        private boolean hasHeader;
        private int described;
        private boolean filled;
        private boolean open;
        private boolean cut;

        Streams(Window file) {
            this.file = file;
        }

        /** One form after the other: longer files have several. */
        End file() throws IOException {
            long at = 0;
            for (int i = 0; i < MOST_CHUNKS && at + 12 <= file.length() && file.has(at, "RIFF"); i++) {
                long size = file.le32(at + 4);
                chunks(at + 12, size == 0 ? file.length() : at + 8 + size);
                if (size == 0) {
                    open = true;
                    break;
                }
                at += 8 + size + (size & 1);
            }
            boolean known = hasHeader && (!pictures.isEmpty() || !sounds.isEmpty());
            return !known || !filled && !cut ? End.UNREAD : cut ? End.CUT : open ? End.OPEN : End.WHOLE;
        }

        private void chunks(long from, long to) throws IOException {
            long at = from;
            for (int i = 0; i < MOST_CHUNKS && at + 8 <= Math.min(to, file.length()); i++) {
                String name = file.text(at, 4);
                long size = file.le32(at + 4);
                boolean list = name.equals("LIST") && at + 12 <= file.length();
                if (list && file.has(at + 8, "movi")) {
                    filled = true;
                    // While it was made nobody knew how long it would become.
                    open |= size <= 4;
                    cut |= at + 8 + size > file.length();
                    if (size <= 4) {
                        return;
                    }
                } else if (list) {
                    hasHeader |= file.has(at + 8, "hdrl");
                    header(at + 12, Math.min(at + 8 + size, file.length()), file.text(at + 8, 4), 0);
                } else if (name.equals("idx1")) {
                    cut |= at + 8 + size > file.length();
                }
                at += 8 + size + (size & 1);
            }
            cut |= at > file.length() && !filled;
        }

        /** Whether there is still so little that it can be a header; lists in lists could go on for as long as the file is. */
        private boolean described() {
            return described++ < MOST_DESCRIBING;
        }

        private void header(long from, long to, String list, int depth) throws IOException {
            long stream = -1;
            long at = from;
            for (int i = 0; i < MOST_CHUNKS && at + 8 <= to && described(); i++) {
                String name = file.text(at, 4);
                long size = file.le32(at + 4);
                if (name.equals("LIST") && at + 12 <= to && !list.equals("strl")) {
                    if (depth < DEEPEST) {
                        header(at + 12, Math.min(at + 8 + size, to), file.text(at + 8, 4), depth + 1);
                    }
                } else if (name.equals("strh") && size >= 48) {
                    stream = at + 8;
                } else if (name.equals("strf") && stream >= 0) {
                    stream(stream, at + 8, size);
                } else if (name.equals("dmlh") && size >= 4) {
                    allFrames = file.le32(at + 8);
                }
                at += 8 + size + (size & 1);
            }
        }

        private void stream(long header, long format, long size) throws IOException {
            long under = file.le32(header + 20);
            long over = file.le32(header + 24);
            long length = file.le32(header + 32);
            Optional<Rational> rate = under > 0 && over > 0 ? Optional.of(new Rational(over, under)) : Optional.empty();
            if (file.has(header, "vids") && size >= 40) {
                int width = (int) file.le32(format + 4);
                int height = Math.abs((int) file.le32(format + 8));
                String code = file.text(format + 16, 4);
                int depth = file.le16(format + 14);
                String codec = file.le32(format + 16) <= 3 ? "uncompressed" : named(code);
                pictures.add(new Picture(codec, Math.max(0, width), Math.max(0, height), Rational.ONE, 0, rate, Optional.of(true),
                        OptionalLong.of(length), depth == 24 || depth == 8 ? OptionalInt.of(8) : OptionalInt.empty(), Optional.empty(),
                        Optional.empty()));
            } else if (file.has(header, "auds") && size >= 16) {
                String codec = SoundCodecs.numbered(file.le16(format));
                int bits = file.le16(format + 14);
                sounds.add(new Sound(codec, file.le16(format + 2), (int) Math.min(Integer.MAX_VALUE, file.le32(format + 4)),
                        SoundCodecs.isPlain(codec) && bits > 0 ? OptionalInt.of(bits) : OptionalInt.empty()));
            } else {
                return;
            }
            Rational time = rate.map(each -> Rational.of(length).times(new Rational(each.under(), each.over()))).orElse(Rational.ZERO);
            longest = time.compareTo(longest) > 0 ? time : longest;
        }

        Optional<Rational> seconds() {
            for (int i = 0; i < pictures.size() && allFrames > 0; i++) {
                Picture picture = pictures.get(i);
                if (picture.rate().isPresent() && picture.frames().orElse(0) < allFrames) {
                    pictures.set(i, picture.moving(allFrames, picture.rate(), true));
                    Rational time = Rational.of(allFrames).times(new Rational(picture.rate().get().under(), picture.rate().get().over()));
                    longest = time.compareTo(longest) > 0 ? time : longest;
                }
            }
            return longest.over() > 0 ? Optional.of(longest) : Optional.empty();
        }
    }
}
