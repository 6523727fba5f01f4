package org.opensatchel.formats.media;

import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.OptionalLong;
import org.opensatchel.formats.binary.Rational;

/**
 * What a media file says of itself in its structure; nothing of it is decoded. What a format does not say, or could not be read, is absent.
 *
 * @param container the format by its standard name, like {@code PNG} or {@code MP4}
 * @param seconds how long it plays; absent for a still picture
 * @param pictures its pictures: a still has one, a film one for each track of moving pictures
 * @param sounds its tracks of sound
 * @param content what else it holds
 */
public record MediaFacts(String container, End end, Optional<Rational> seconds, List<Picture> pictures, List<Sound> sounds,
        Optional<MediaContent> content) {

    public MediaFacts(String container, End end, Optional<Rational> seconds, List<Picture> pictures, List<Sound> sounds) {
        this(container, end, seconds, pictures, sounds, Optional.empty());
    }

    /** Whether the structure and the end of the file agree. */
    public enum End {
        /** The file ends where its structure says, or goes on with what does not matter. */
        WHOLE,
        /** Its content has begun, and its structure says that there is more than the file has. What has only a beginning is not taken for that. */
        CUT,
        /** The format lets it open how long it is, as what was sent while it was made. */
        OPEN,
        /** Its structure could not be followed to the end. */
        UNREAD
    }

    /**
     * Pictures of one size.
     *
     * @param codec by the name of its standard; where it has none that is known, its code in the container
     * @param width in pixels as they are stored, before they are turned
     * @param pixelAspect how wide a pixel is, to its height
     * @param turned clockwise by how many degrees it is shown: 0, 90, 180 or 270
     * @param rate pictures a second; absent for a still
     * @param constant whether each picture is shown as long as any other
     * @param bits of one colour
     * @param colour how colours are written, as {@link Colour} names it
     */
    public record Picture(String codec, int width, int height, Rational pixelAspect, int turned, Optional<Rational> rate,
            Optional<Boolean> constant, OptionalLong frames, OptionalInt bits, Optional<Boolean> alpha,
            Optional<String> colour) {

        /** A still, of square pixels, as it is stored. */
        public static Picture still(String codec, int width, int height) {
            return new Picture(codec, width, height, Rational.ONE, 0, Optional.empty(), Optional.empty(), OptionalLong.empty(),
                    OptionalInt.empty(), Optional.empty(), Optional.empty());
        }

        public Picture of(int colourBits) {
            return new Picture(codec, width, height, pixelAspect, turned, rate, constant, frames, OptionalInt.of(colourBits), alpha,
                    colour);
        }

        public Picture transparent(boolean hasAlpha) {
            return new Picture(codec, width, height, pixelAspect, turned, rate, constant, frames, bits, Optional.of(hasAlpha), colour);
        }

        public Picture turnedBy(int degrees) {
            return new Picture(codec, width, height, pixelAspect, degrees, rate, constant, frames, bits, alpha, colour);
        }

        public Picture coloured(Optional<String> way) {
            return new Picture(codec, width, height, pixelAspect, turned, rate, constant, frames, bits, alpha, way);
        }

        public Picture shaped(Rational aspect) {
            return new Picture(codec, width, height, aspect, turned, rate, constant, frames, bits, alpha, colour);
        }

        public Picture moving(long count, Optional<Rational> perSecond, boolean even) {
            return new Picture(codec, width, height, pixelAspect, turned, perSecond, Optional.of(even), OptionalLong.of(count), bits,
                    alpha, colour);
        }

        /** The width in square pixels as it is shown. */
        public int shownWidth() {
            return turned % 180 == 0 ? stretched() : height;
        }

        public int shownHeight() {
            return turned % 180 == 0 ? height : stretched();
        }

        private int stretched() {
            return (int) Math.min(Integer.MAX_VALUE, Math.round(width * pixelAspect.value()));
        }
    }

    /**
     * A track of sound.
     *
     * @param rate samples a second
     * @param bits of one sample, where samples are stored as they are
     */
    public record Sound(String codec, int channels, int rate, OptionalInt bits) {}

    public static MediaFacts still(String container, End end, Picture picture) {
        return new MediaFacts(container, end, Optional.empty(), List.of(picture), List.of());
    }

    public static MediaFacts sound(String container, End end, Optional<Rational> seconds, Sound sound) {
        return new MediaFacts(container, end, seconds, List.of(), List.of(sound));
    }

    /** Whether it says anything of pictures or sound at all. */
    public boolean saysAnything() {
        return !pictures.isEmpty() || !sounds.isEmpty();
    }

    /** What is left to say of a file in which nothing could be read. */
    public static MediaFacts none(String container, End end) {
        return new MediaFacts(container, end, Optional.empty(), List.of(), List.of());
    }
}
