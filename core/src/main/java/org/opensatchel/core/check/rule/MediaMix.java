package org.opensatchel.core.check.rule;

import static org.opensatchel.base.fact.FactName.ASKED_HEIGHT;
import static org.opensatchel.base.fact.FactName.ASKED_WIDTH;
import static org.opensatchel.base.fact.FactName.COUNT;
import static org.opensatchel.base.fact.FactName.HOW;
import static org.opensatchel.base.fact.FactName.OTHERS;
import static org.opensatchel.base.fact.FactName.TYPES;
import static org.opensatchel.base.fact.FactName.VALUE;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Function;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.kit.MediaRule;
import org.opensatchel.formats.Formats;
import org.opensatchel.formats.kind.FileKind;
import org.opensatchel.formats.media.MediaFacts;
import org.opensatchel.formats.media.MediaFacts.Picture;
import org.opensatchel.formats.timeline.Timeline;

/**
 * What is put together in one timeline and does not go together: films of several frame rates, sounds of several sample rates, films that are
 * smaller than the timeline is shown. Told once a timeline, weighed by what it uses.
 */
final class MediaMix implements Rule<TimelineMediaEvidence> {

    private static final double SAME_RATE = 0.01;

    @Override
    public Class<TimelineMediaEvidence> needs() {
        return TimelineMediaEvidence.class;
    }

    @Override
    public Set<Code> gives() {
        return Set.of(Code.MEDIA_MIXED_RATES, Code.MEDIA_BELOW_TIMELINE);
    }

    @Override
    public List<Finding> judge(TimelineMediaEvidence evidence) {
        List<Finding> out = new ArrayList<>();
        for (Timeline timeline : evidence.timelines()) {
            Map<ProjectPath, Double> used = new TreeMap<>(evidence.isOlder(timeline.document()) ? Map.of() : evidence.used(timeline));
            // That a stand-in is used is told as that.
            used.keySet().removeAll(evidence.proxies().keySet());
            mixed(evidence, timeline, used, "picture", media -> film(media).flatMap(Picture::rate).map(rate -> rate.value()))
                    .ifPresent(out::add);
            mixed(evidence, timeline, used, "sound",
                    media -> media.sounds().stream().findFirst().map(sound -> (double) sound.rate()).filter(rate -> rate > 0))
                    .ifPresent(out::add);
            below(evidence, timeline, used).ifPresent(out::add);
        }
        return out;
    }

    private static Optional<Picture> film(MediaFacts media) {
        return media.pictures().stream().findFirst().filter(picture -> picture.rate().isPresent() && media.seconds().isPresent());
    }

    private static Optional<MediaFacts> media(TimelineMediaEvidence evidence, ProjectPath path) {
        return evidence.facts(path).media().filter(media -> evidence.facts(path).lie().isEmpty());
    }

    private static Optional<Finding> mixed(TimelineMediaEvidence evidence, Timeline timeline, Map<ProjectPath, Double> used, String how,
            Function<MediaFacts, Optional<Double>> rate) {
        Map<ProjectPath, Double> rates = new TreeMap<>();
        used.keySet().forEach(path -> media(evidence, path).flatMap(rate).ifPresent(value -> rates.put(path, value)));
        Map<Double, Double> seconds = new TreeMap<>();
        rates.forEach((path, value) -> seconds.merge(same(seconds, value), used.get(path), Double::sum));
        if (seconds.size() < 2) {
            return Optional.empty();
        }
        double most = seconds.entrySet().stream()
                .max(Map.Entry.<Double, Double>comparingByValue().thenComparing(Map.Entry.comparingByKey()))
                .get().getKey();
        List<ProjectPath> others = rates.entrySet().stream().filter(file -> Math.abs(file.getValue() - most) > SAME_RATE)
                .map(Map.Entry::getKey).toList();
        boolean sound = how.equals("sound");
        return Optional.of(Finding.of(Code.MEDIA_MIXED_RATES).path(timeline.document()).at(timeline.at()).fact(HOW, how)
                .fact(TYPES, seconds.keySet().stream().map(value -> written(sound ? value / 1_000 : value)).toList())
                .fact(VALUE, rounded(sound ? most / 1_000 : most)).fact(COUNT, others.size()).fact(OTHERS, others).make());
    }

    /** A rate that is there already and is the same to people. */
    private static double same(Map<Double, Double> known, double value) {
        return known.keySet().stream().filter(one -> Math.abs(one - value) <= SAME_RATE).findFirst().orElse(value);
    }

    private static double rounded(double value) {
        return Math.round(value * 1_000) / 1_000.0;
    }

    private static String written(double value) {
        double shown = rounded(value);
        return shown == Math.rint(shown) ? Long.toString(Math.round(shown)) : String.format(Locale.ROOT, "%s", shown);
    }

    /** Against the size that the kit asks of the finished film, or that of most of what is used. */
    private static Optional<Finding> below(TimelineMediaEvidence evidence, Timeline timeline, Map<ProjectPath, Double> used) {
        Map<ProjectPath, Picture> films = new TreeMap<>();
        used.keySet().forEach(path -> media(evidence, path).flatMap(MediaMix::film).filter(film -> film.width() > 0 && film.height() > 0)
                .ifPresent(film -> films.put(path, film)));
        Optional<int[]> shown = evidence.kit().flatMap(MediaMix::asked).or(() -> usual(films, used));
        if (shown.isEmpty()) {
            return Optional.empty();
        }
        int width = shown.get()[0];
        int height = shown.get()[1];
        List<ProjectPath> smaller = films.entrySet().stream().filter(film -> isSmaller(film.getValue(), width, height))
                .map(Map.Entry::getKey)
                .toList();
        return smaller.isEmpty() ? Optional.empty()
                : Optional.of(Finding.of(Code.MEDIA_BELOW_TIMELINE).path(timeline.document()).at(timeline.at()).fact(COUNT, smaller.size())
                        .fact(OTHERS, smaller).fact(ASKED_WIDTH, width).fact(ASKED_HEIGHT, height).make());
    }

    /** Whether it has to be made larger to fill the picture one way or the other. */
    private static boolean isSmaller(Picture film, int width, int height) {
        return film.shownWidth() < width && film.shownHeight() < height;
    }

    /** What the kit asks of the one film that has to be handed in. */
    private static Optional<int[]> asked(Kit kit) {
        List<int[]> sizes = kit.files().stream()
                .filter(rule -> rule.types().stream().anyMatch(type -> Formats.kind(type) == FileKind.MOVING_PICTURE))
                .flatMap(rule -> rule.media().map(MediaRule::frame).stream())
                .filter(frame -> frame.width().isPresent() && frame.height().isPresent())
                .map(frame -> new int[]{frame.width().getAsInt(), frame.height().getAsInt()}).toList();
        return sizes.size() == 1 ? Optional.of(sizes.get(0)) : Optional.empty();
    }

    private static Optional<int[]> usual(Map<ProjectPath, Picture> films, Map<ProjectPath, Double> used) {
        Map<List<Integer>, Double> seconds = new HashMap<>();
        films.forEach((path, film) -> seconds.merge(List.of(film.shownWidth(), film.shownHeight()), used.get(path), Double::sum));
        return seconds.entrySet().stream()
                .max(Map.Entry.<List<Integer>, Double>comparingByValue()
                        .thenComparing(
                                Map.Entry.comparingByKey(Comparator.comparing((List<Integer> size) -> size.get(0) * (long) size.get(1)))))
                .map(most -> new int[]{most.getKey().get(0), most.getKey().get(1)});
    }
}
