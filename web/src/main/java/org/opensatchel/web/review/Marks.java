package org.opensatchel.web.review;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/** The marks of a hand-in on the class board, one for each family of findings. */
record Marks(List<Mark> families, Mark location) {

    /** The families in the order of the board, location aside. */
    static final List<String> FAMILIES = List.of("package", "structure", "name", "link", "asset", "media", "timeline");
    static final String LOCATION = "location";
    private static final List<String> SEVERITIES = List.of("must", "should", "note");
    /** Reports from before media and timelines had columns of their own. */
    private static final int OLD_COLUMNS = 5;

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

    static Marks of(String text) {
        List<String> columns = new ArrayList<>(Arrays.asList(text.isEmpty() ? new String[0] : text.split(";")));
        if (columns.size() == OLD_COLUMNS) {
            columns = List.of("0,0,0", columns.get(0), columns.get(1), columns.get(2), columns.get(3), "0,0,0", "0,0,0", columns.get(4));
        }
        List<Mark> marks = new ArrayList<>();
        for (int i = 0; i <= FAMILIES.size(); i++) {
            marks.add(mark(i < FAMILIES.size() ? FAMILIES.get(i) : LOCATION, i < columns.size() ? columns.get(i) : "0,0,0"));
        }
        return new Marks(marks.subList(0, FAMILIES.size()), marks.get(FAMILIES.size()));
    }

    private static Mark mark(String family, String counts) {
        int[] each = Arrays.stream(counts.split(",")).mapToInt(Integer::parseInt).toArray();
        int all = Arrays.stream(each).sum();
        for (int i = 0; i < SEVERITIES.size(); i++) {
            if (each[i] > 0) {
                return new Mark(family, SEVERITIES.get(i), each[i], all);
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
