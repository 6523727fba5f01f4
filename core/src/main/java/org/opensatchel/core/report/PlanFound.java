package org.opensatchel.core.report;

import java.util.List;
import java.util.Optional;

/**
 * What was planned and what is there, line by line: folders and the files that were asked for, in the order of the plan, then what nobody
 * planned. Files that only lie in a folder are counted with it.
 *
 * @param more how many further lines there would be
 */
public record PlanFound(List<Line> lines, int more) {

    /** As many lines as a report holds. */
    public static final int MOST = 400;

    /** What became of something that was planned, or that nobody planned. */
    public enum State {
        /** There, under its name and in its place. */
        there,
        /** Asked for and not there. */
        missing,
        /** Not there, and it need not be. */
        absent,
        /** There under another name. */
        renamed,
        /** There in another place. */
        moved,
        /** There in another format. */
        type,
        /** There, with too little in it. */
        few,
        /** Nobody planned it. */
        extra
    }

    /**
     * One line.
     *
     * @param planned the path by the plan; absent for what nobody planned
     * @param found the path it has; absent where it is not there, or lies as planned
     * @param folder whether it is a folder
     * @param says what a folder is for, or a file's role; empty for nothing
     * @param need {@code required}, {@code optional} or {@code forbidden}; absent for what nobody planned
     * @param files how many files lie in a folder, those of its folders that have lines of their own left out
     */
    public record Line(Optional<String> planned, Optional<String> found, boolean folder, State state, String says, Optional<String> need,
            int files) {

        /** Whether something is there, wherever and however. */
        public boolean exists() {
            return state != State.missing && state != State.absent;
        }

        /** Where it stands: by the plan, and what nobody planned where it is. */
        public String path() {
            return planned.or(() -> found).orElse("");
        }
    }

    /** How many files lie in a folder and below it. */
    public int filesIn(Line folder) {
        return lines.stream().filter(line -> line.path().equals(folder.path()) || line.path().startsWith(folder.path() + "/"))
                .filter(Line::exists).mapToInt(line -> line.folder() ? line.files() : 1).sum();
    }

    /** The planned folders right in the project that hold files, each by its planned name. */
    public List<String> filled() {
        return lines.stream().filter(Line::folder).filter(line -> line.planned().filter(path -> path.indexOf('/') < 0).isPresent())
                .filter(Line::exists).filter(line -> filesIn(line) > 0).map(Line::path).distinct().toList();
    }
}
