package org.opensatchel.core.kit;

import java.math.BigDecimal;
import java.util.Locale;
import org.opensatchel.core.kit.TimelineRule.Offline;
import org.opensatchel.core.kit.TimelineRule.Tracks;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Writes the timeline part of a document rule. */
final class TimelineRuleWriter {

    private TimelineRuleWriter() {
    }

    static void write(ObjectNode out, TimelineRule rule) {
        tracks(out, "video", rule.video());
        tracks(out, "sound", rule.sound());
        rule.name().ifPresent(name -> out.put("name", name.text()));
        rule.startsAt().ifPresent(time -> {
            if (time.contains(":")) {
                out.put("startsAt", time);
            } else {
                out.put("startsAt", new BigDecimal(time));
            }
        });
        rule.minSeconds().ifPresent(value -> out.put("minSeconds", value));
        rule.maxSeconds().ifPresent(value -> out.put("maxSeconds", value));
        rule.frameRate().ifPresent(value -> out.put("frameRate", value));
        rule.maxGapFrames().ifPresent(value -> out.put("maxGapFrames", value));
        rule.minClipFrames().ifPresent(value -> out.put("minClipFrames", value));
        if (rule.offline() != Offline.ALLOW) {
            out.put("offline", rule.offline().name().toLowerCase(Locale.ROOT));
        }
    }

    private static void tracks(ObjectNode out, String key, Tracks tracks) {
        if (tracks.equals(Tracks.ANY)) {
            return;
        }
        ObjectNode node = out.putObject(key);
        tracks.atLeast().ifPresent(least -> node.put("atLeast", least));
        tracks.atMost().ifPresent(most -> node.put("atMost", most));
        if (!tracks.names().isEmpty()) {
            ArrayNode names = node.putArray("names");
            tracks.names().forEach(name -> names.add(name.text()));
        }
    }
}
