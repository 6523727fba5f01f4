package org.opensatchel.core.judging;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.opensatchel.base.text.Shortened;
import org.opensatchel.core.report.FindingGroups;
import org.opensatchel.core.words.Sentence;
import org.opensatchel.core.words.Words;

/**
 * What goes back to a student: what to fix, in the order to fix it. What was waived is not in it, and what is only worth knowing is not either.
 *
 * @param items the things to fix, the most serious first
 */
public record FeedbackItems(List<Item> items) {

    private static final int MOST = 60;
    private static final int LONGEST_LINE = 600;

    /**
     * One thing to fix.
     *
     * @param key what makes it the same thing in the next slip: a {@link FindingKey}, or {@code raised:} and a number
     * @param text what is said of it, a heading, a sentence and the steps, a line each
     */
    public record Item(String key, String severity, String text) {}

    public static FeedbackItems of(Judgement judgement, Words words) {
        List<Item> items = new ArrayList<>();
        judgement.raised().stream().filter(one -> !one.severity().equals("note"))
                .forEach(one -> items
                        .add(new Item("raised:" + one.id(), one.severity(), one.text() + (one.path().isEmpty() ? "" : "\n" + one.path()))));
        judgement.things().stream().filter(group -> !group.severity().equals("note"))
                .forEach(group -> items.add(new Item(FindingKey.of(group.first()), group.severity(), text(group, words))));
        return new FeedbackItems(items.stream().limit(MOST).toList());
    }

    private static String text(FindingGroups.Group group, Words words) {
        List<String> lines = new ArrayList<>();
        lines.add(line(words.heading(group)));
        Optional.of(line(words.of(group.first()).message())).filter(message -> !message.equals(lines.get(0))).ifPresent(lines::add);
        words.remedy(group).forEach(step -> lines.add("– " + line(step)));
        return String.join("\n", lines);
    }

    private static String line(Sentence sentence) {
        String text = sentence.toString().replaceAll("\\s+", " ").strip();
        return Shortened.end(text, LONGEST_LINE);
    }
}
