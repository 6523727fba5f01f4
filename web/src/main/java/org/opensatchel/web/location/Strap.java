package org.opensatchel.web.location;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Severity;
import org.opensatchel.core.location.LocationFault;
import org.opensatchel.core.location.LocationJudge;
import org.opensatchel.core.path.NameFolding;
import org.opensatchel.core.words.Said;
import org.opensatchel.core.words.Sentence;
import org.opensatchel.core.words.Words;

/**
 * A path cut into its parts, the wrong ones marked, as the location page draws it.
 *
 * @param faults every fault, in order
 * @param rootIsRight whether the last part is the name the root should have
 */
record Strap(List<Part> parts, List<Hanging> faults, boolean rootIsRight, int length) {

    /**
     * One part; kind is {@code plain}, {@code must}, {@code should} or {@code root}.
     *
     * @param differs where its name goes wrong; empty, with the whole name before it, where nothing is to be marked
     */
    record Part(String before, String differs, String after, String kind, List<Hanging> hanging) {

        static Part of(String name, String kind, List<Hanging> hanging) {
            return new Part(name, "", "", kind, hanging);
        }

        /** The same with what differs from the name it should have. */
        Part against(String right) {
            int start = 0;
            while (start < Math.min(before.length(), right.length()) && before.charAt(start) == right.charAt(start)) {
                start++;
            }
            int end = 0;
            while (end < Math.min(before.length(), right.length()) - start
                    && before.charAt(before.length() - 1 - end) == right.charAt(right.length() - 1 - end)) {
                end++;
            }
            // Two names that share next to nothing differ as a whole.
            boolean unlike = (start + end) * 3 < right.length();
            return unlike ? this
                    : new Part(before.substring(0, start), before.substring(start, before.length() - end),
                            before.substring(before.length() - end), kind, hanging);
        }
    }

    /** A reason that hangs from a part. */
    record Hanging(String severity, Sentence message, List<Sentence> remedy) {}

    static Strap of(String path, List<LocationFault> faults, Optional<String> rootName, Words words) {
        String shown = path.strip();
        List<String> names = shown.length() > LocationJudge.MAX_PATH ? List.of(shown.substring(0, 60) + "…") : LocationJudge.parts(shown);
        boolean right = !names.isEmpty()
                && rootName.map(NameFolding::composed).filter(NameFolding.composed(names.get(names.size() - 1))::equals).isPresent();
        List<Part> parts = new ArrayList<>();
        for (int i = 0; i < names.size(); i++) {
            int at = i;
            List<LocationFault> here = faults.stream().filter(fault -> fault.part().isPresent() && fault.part().getAsInt() == at).toList();
            boolean last = i == names.size() - 1;
            String kind = here.isEmpty() ? (last && right ? "root" : "plain") : word(here.get(0));
            Part part = Part.of(names.get(i), kind, here.stream().map(fault -> hanging(fault, words)).toList());
            boolean named = here.stream().anyMatch(fault -> fault.code() == Code.LOCATION_ROOT_NAME);
            parts.add(named ? rootName.map(NameFolding::composed).map(part::against).orElse(part) : part);
        }
        return new Strap(parts, faults.stream().map(fault -> hanging(fault, words)).toList(), right, shown.length());
    }

    private static Hanging hanging(LocationFault fault, Words words) {
        Said said = words.of(fault.code(), fault.facts());
        return new Hanging(word(fault), said.message(), said.remedy());
    }

    private static String word(LocationFault fault) {
        return fault.code().severity() == Severity.MUST ? "must" : "should";
    }

    public boolean isFine() {
        return faults.isEmpty();
    }
}
