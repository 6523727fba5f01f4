package org.opensatchel.core.check;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.TreeMap;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.check.brief.Briefed;
import org.opensatchel.core.kit.MediaRule;
import org.opensatchel.core.report.MediaFound;
import org.opensatchel.core.report.MediaFound.Levels;
import org.opensatchel.core.report.MediaFound.Line;
import org.opensatchel.core.report.MediaFound.Picture;
import org.opensatchel.core.report.MediaFound.Sound;
import org.opensatchel.core.scan.FileFacts;
import org.opensatchel.formats.binary.Rational;
import org.opensatchel.formats.media.MediaContent;
import org.opensatchel.formats.media.MediaFacts;
import org.opensatchel.formats.sound.SoundLevels;

/** Lays what the files say of themselves, and what briefs say of them, into the lines of a report. */
final class MediaTable {

    /** Sounds of which a report keeps the wave. */
    private static final int MOST_WAVES = 60;

    private MediaTable() {
    }

    static MediaFound of(Evidence evidence) {
        Map<ProjectPath, Briefed> briefed = new HashMap<>();
        evidence.briefed().forEach(file -> briefed.put(file.path(), file));
        Map<ProjectPath, FileFacts> media = new TreeMap<>();
        evidence.facts().forEach((path, facts) -> {
            if (facts.media().isPresent() && facts.lie().isEmpty() && !evidence.isManaged(path)) {
                media.put(path, facts);
            }
        });
        List<ProjectPath> kept = new ArrayList<>(media.keySet());
        if (kept.size() > MediaFound.MOST) {
            kept.sort(Comparator.comparing((ProjectPath path) -> !briefed.containsKey(path)).thenComparing(path -> path));
            kept = new ArrayList<>(kept.subList(0, MediaFound.MOST));
            kept.sort(Comparator.naturalOrder());
        }
        List<Line> lines = new ArrayList<>();
        Textures textures = new Textures(evidence);
        int waves = 0;
        for (ProjectPath path : kept) {
            Line line = line(path, media.get(path), Optional.ofNullable(briefed.get(path)), waves < MOST_WAVES, textures);
            waves += line.levels().isPresent() ? 1 : 0;
            lines.add(line);
        }
        return new MediaFound(media.size(), lines);
    }

    private static Line line(ProjectPath path, FileFacts facts, Optional<Briefed> brief, boolean drawn, Textures textures) {
        MediaFacts media = facts.media().orElseThrow();
        return new Line(path.text(), media.container(), media.end().name().toLowerCase(Locale.ROOT),
                media.seconds().map(seconds -> thousandths(seconds.value())),
                media.pictures().stream().findFirst().map(MediaTable::picture),
                media.sounds().stream().map(sound -> new Sound(sound.codec(), sound.channels(), sound.rate(), boxed(sound.bits())))
                        .toList(),
                facts.levels().map(levels -> levels(levels, drawn)),
                brief.map(file -> file.mismatches().stream().map(mismatch -> mismatch.code().id()).toList()).orElse(List.of()),
                brief.flatMap(file -> file.rules().stream().flatMap(rule -> rule.sound().peakDb().stream()).findFirst())
                        .map(MediaTable::band),
                media.content()
                        .flatMap(content -> content instanceof MediaContent.Cues cues ? Optional.of(cues.count()) : Optional.empty()),
                media.content().flatMap(content -> content instanceof MediaContent.Font font ? Optional.of(font(font)) : Optional.empty()),
                media.content().flatMap(
                        content -> content instanceof MediaContent.Model model ? Optional.of(textures.model(path, model))
                                : Optional.empty()));
    }

    private static MediaFound.Font font(MediaContent.Font font) {
        return new MediaFound.Font(font.family(), font.style(),
                font.glyphs().isPresent() ? Optional.of(font.glyphs().getAsLong()) : Optional.empty());
    }

    private static List<Double> band(MediaRule.Band band) {
        return List.of(band.low(), band.high());
    }

    private static Picture picture(MediaFacts.Picture picture) {
        boolean same = picture.width() == picture.shownWidth() && picture.height() == picture.shownHeight();
        return new Picture(picture.codec(), picture.shownWidth(), picture.shownHeight(),
                same ? Optional.empty() : Optional.of(picture.width() + "x" + picture.height()),
                picture.pixelAspect().equals(Rational.ONE) ? Optional.empty()
                        : Optional.of(picture.pixelAspect().over() + ":" + picture.pixelAspect().under()),
                Optional.of(picture.turned()).filter(degrees -> degrees != 0),
                picture.rate().map(rate -> rate.under() == 1 ? Long.toString(rate.over()) : rate.over() + "/" + rate.under()),
                picture.constant(), boxed(picture.bits()), picture.alpha(), picture.colour());
    }

    private static Levels levels(SoundLevels levels, boolean drawn) {
        return new Levels(levels.isSilent() ? Optional.empty() : Optional.of(hundredths(levels.peakDb())), levels.clipped(),
                levels.loudness().isPresent() ? Optional.of(hundredths(levels.loudness().getAsDouble())) : Optional.empty(),
                Optional.of(levels.wave()).filter(wave -> drawn && !wave.isEmpty()));
    }

    private static Optional<Integer> boxed(OptionalInt value) {
        return value.isPresent() ? Optional.of(value.getAsInt()) : Optional.empty();
    }

    private static double hundredths(double value) {
        return Math.round(value * 100) / 100.0 + 0.0;
    }

    private static double thousandths(double value) {
        return Math.round(value * 1_000) / 1_000.0;
    }
}
