package org.opensatchel.formats.timeline;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Stream;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.base.place.SourcePosition;

/**
 * A timeline of a document: what is seen and heard, and when. Times are seconds from its beginning.
 *
 * @param at where it stands in the document
 * @param rate pictures a second
 * @param rateSaid whether the document says the rate, or it was concluded from its times
 * @param startsAt what its first moment is called, in seconds; absent where the document does not say
 */
public record Timeline(ProjectPath document, SourcePosition at, String name, OptionalDouble rate, boolean rateSaid, OptionalDouble startsAt,
        List<Track> tracks) {

    /** A moment is the same as another when they differ by less: documents count in fractions. */
    public static final double SAME = 1e-4;

    public Timeline {
        tracks = List.copyOf(tracks);
    }

    /** What a track is of. */
    public enum Kind {
        VIDEO, SOUND, OTHER
    }

    /** @param at where it stands in the document */
    public record Track(Kind kind, String name, SourcePosition at, boolean enabled, List<Item> items) {

        public Track {
            items = List.copyOf(items);
        }

        public Stream<Item> clips() {
            return items.stream().filter(item -> !item.isGap());
        }

        /** Where its last clip ends. */
        public double seconds() {
            return clips().mapToDouble(Item::end).max().orElse(0);
        }
    }

    /**
     * A clip, or a gap before one.
     *
     * @param rate pictures a second of what it shows, as the document has it
     * @param offline whether the document itself says that there is no file for it
     * @param link where the link to its file stands in the document; empty where it has none of its own
     */
    public record Item(boolean isGap, String name, SourcePosition at, double start, double seconds, OptionalDouble rate, boolean enabled,
            boolean offline, Optional<String> link) {

        public double end() {
            return start + seconds;
        }
    }

    /** Where its last clip ends. */
    public double seconds() {
        return tracks.stream().mapToDouble(Track::seconds).max().orElse(0);
    }

    public List<Track> tracks(Kind kind) {
        return tracks.stream().filter(track -> track.kind == kind).toList();
    }

    public Stream<Item> clips() {
        return tracks.stream().flatMap(Track::clips);
    }

    /** How many pictures a time is; empty where no rate is known. */
    public Optional<Long> frames(double seconds) {
        return rate.isPresent() ? Optional.of(Math.round(seconds * rate.getAsDouble())) : Optional.empty();
    }

    /** A stretch in which nothing is to be seen, or in a timeline of sound alone nothing to be heard. */
    public record Hole(SourcePosition at, double start, double seconds) {}

    /** The holes before the last clip, in order: what another track covers is none. */
    public List<Hole> holes() {
        Kind kind = tracks(Kind.VIDEO).isEmpty() ? Kind.SOUND : Kind.VIDEO;
        List<Track> seen = tracks(kind).stream().filter(Track::enabled).toList();
        List<Item> clips = seen.stream().flatMap(Track::clips).filter(Item::enabled)
                .sorted((a, b) -> Double.compare(a.start, b.start)).toList();
        List<Hole> out = new java.util.ArrayList<>();
        double covered = 0;
        for (Item clip : clips) {
            if (clip.start > covered + SAME) {
                out.add(new Hole(gap(seen, covered).orElse(clip.at), covered, clip.start - covered));
            }
            covered = Math.max(covered, clip.end());
        }
        return out;
    }

    private static Optional<SourcePosition> gap(List<Track> tracks, double from) {
        return tracks.stream().flatMap(track -> track.items.stream())
                .filter(item -> item.isGap && Math.abs(item.start - from) < SAME).map(Item::at).findFirst();
    }
}
