package org.opensatchel.web.review;

import java.util.ArrayList;
import java.util.List;

/** The marks of a hand-in on the class board, one for each family of findings. */
record Marks(List<Mark> families, Mark location) {

    /** The families in the order of the board, location aside. */
    static final List<String> FAMILIES = List.of("package", "structure", "name", "link", "asset", "media", "timeline");
    static final String LOCATION = "location";
    private static final List<String> SEVERITIES = List.of("must", "should", "note");

    /**
     * The worst of a family.
     *
     * @param severity {@code must}, {@code should} or {@code note}; empty where all is in order
     * @param count how many findings of that severity there are
     * @param all how many findings of any severity
     */
    record Mark(String family, String severity, int count, int all) {
        public boolean isClean() {
            return severity.isEmpty();
        }
    }

    /** @param counts as {@link org.opensatchel.core.report.Summary} has them; none until a hand-in is checked */
    static Marks of(List<Integer> counts) {
        List<Mark> marks = new ArrayList<>();
        for (int i = 0; i <= FAMILIES.size(); i++) {
            int from = i * SEVERITIES.size();
            marks.add(mark(i < FAMILIES.size() ? FAMILIES.get(i) : LOCATION,
                    counts.isEmpty() ? List.of() : counts.subList(from, from + SEVERITIES.size())));
        }
        return new Marks(marks.subList(0, FAMILIES.size()), marks.get(FAMILIES.size()));
    }

    private static Mark mark(String family, List<Integer> counts) {
        int all = counts.stream().mapToInt(Integer::intValue).sum();
        for (int i = 0; i < counts.size(); i++) {
            if (counts.get(i) > 0) {
                return new Mark(family, SEVERITIES.get(i), counts.get(i), all);
            }
        }
        return new Mark(family, "", 0, 0);
    }

    /** The worst of all families, where findings are to be looked at first. */
    public String worst() {
        for (String severity : SEVERITIES) {
            for (Mark mark : families) {
                if (mark.severity.equals(severity)) {
                    return mark.family;
                }
            }
        }
        return location.isClean() ? FAMILIES.get(0) : LOCATION;
    }
}
