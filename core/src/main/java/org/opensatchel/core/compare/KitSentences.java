package org.opensatchel.core.compare;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.opensatchel.core.finding.Severity;
import org.opensatchel.core.kit.FolderRule;
import org.opensatchel.core.kit.Kit;

/** Parts of a kit in words. */
final class KitSentences {

    private KitSentences() {
    }

    static String about(Object item) {
        if (item instanceof FolderRule rule) {
            String takes = rule.accepts().isEmpty() ? "" : ", takes " + String.join(", ", rule.accepts());
            return ": " + rule.need().word() + takes + (rule.purpose().isBlank() ? "" : ", for “" + rule.purpose() + "”");
        }
        if (item instanceof Kit.DocumentRule rule) {
            return ": named `" + rule.name().text() + "` in `" + rule.in() + "`";
        }
        if (item instanceof Kit.FileRule rule) {
            return ": named `" + rule.name().text() + "` in `" + rule.in() + "`";
        }
        return "";
    }

    static String media(Optional<Kit.MediaRule> rule) {
        if (rule.isEmpty()) {
            return "anything";
        }
        Kit.MediaRule media = rule.get();
        List<String> out = new ArrayList<>();
        media.width().ifPresent(value -> out.add(value + " wide"));
        media.height().ifPresent(value -> out.add(value + " high"));
        media.aspect().ifPresent(out::add);
        media.frameRate().ifPresent(value -> out.add(number(value) + " frames a second"));
        media.minSeconds().ifPresent(value -> out.add("at least " + number(value) + " s"));
        media.maxSeconds().ifPresent(value -> out.add("at most " + number(value) + " s"));
        if (!media.codecs().isEmpty()) {
            out.add(String.join(" or ", media.codecs()));
        }
        media.sound().ifPresent(sound -> out.add(sound ? "with sound" : "silent"));
        media.peakDb().ifPresent(peak -> out.add("peaks from " + number(peak[0]) + " to " + number(peak[1]) + " dBFS"));
        return out.isEmpty() ? "anything" : String.join(", ", out);
    }

    private static String number(double value) {
        return value == Math.rint(value) && Math.abs(value) < 1e12 ? Long.toString((long) value) : Double.toString(value);
    }

    static String treat(Kit.StarterFile.Treat treat) {
        return switch (treat) {
            case KEEP -> "has to stay as it is";
            case EDIT -> "may be changed, and keeps its name";
            case FREE -> "may be changed, renamed and deleted";
        };
    }

    static String grade(Kit.Grade grade) {
        return severity(grade.severity());
    }

    static String severity(Optional<Severity> severity) {
        return severity.map(value -> "a " + value.word()).orElse("not told");
    }

    static String limits(Kit.Limits limits) {
        List<String> out = new ArrayList<>();
        limits.totalBytes().ifPresent(value -> out.add(value + " bytes in all"));
        limits.fileBytes().ifPresent(value -> out.add(value + " bytes a file"));
        return out.isEmpty() ? "none" : String.join(", ", out);
    }

    static String points(Optional<Kit.Points> points) {
        return points.map(value -> value.total() + " (folders " + value.structure() + ", names " + value.names() + ", links " + value.links() + ", files " + value.assets() + ")").orElse("none");
    }
}
