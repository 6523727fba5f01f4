package org.opensatchel.web.feedback;

import java.util.List;
import java.util.stream.Collectors;

/**
 * What goes back to a student, part by part, for changing and reading it.
 *
 * @param greeting what it begins with
 * @param items what to fix, in order
 * @param remarks what was said beside that
 * @param facts the new date and the points, where there are some
 * @param changed whether somebody changed anything in it
 * @param link what opens the report for whoever has it; empty until it is sent
 */
public record FeedbackDraft(String subject, String greeting, List<Part> items, List<String> remarks, List<String> facts, String closing,
        boolean changed,
        String link) {

    /**
     * One thing to fix.
     *
     * @param built what was built from the finding
     * @param text what is said instead; empty when it is left out
     */
    public record Part(String key, String severity, String built, String text) {
        public boolean isLeftOut() {
            return text.isBlank();
        }

        public boolean isChanged() {
            return !text.equals(built);
        }

        /** Without its heading's line. */
        public List<String> lines() {
            return text.lines().toList();
        }
    }

    public List<Part> said() {
        return items.stream().filter(item -> !item.isLeftOut()).toList();
    }

    /** The whole of it as a mail's text. */
    public String text() {
        StringBuilder out = new StringBuilder(greeting.strip()).append("\n\n");
        int number = 1;
        for (Part part : said()) {
            out.append(number++).append(". ").append(part.text().strip().lines().collect(Collectors.joining("\n   "))).append("\n\n");
        }
        remarks.forEach(remark -> out.append(remark.strip()).append("\n\n"));
        facts.forEach(fact -> out.append(fact).append("\n"));
        if (!facts.isEmpty()) {
            out.append("\n");
        }
        if (!link.isEmpty()) {
            out.append(link).append("\n\n");
        }
        return out.append(closing.strip()).append("\n").toString();
    }
}
