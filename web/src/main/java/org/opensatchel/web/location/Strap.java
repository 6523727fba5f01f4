package org.opensatchel.web.location;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.opensatchel.base.path.NameFolding;
import org.opensatchel.base.text.Shortened;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Severity;
import org.opensatchel.core.location.LocationFault;
import org.opensatchel.core.location.LocationJudge;
import org.opensatchel.core.words.Said;
import org.opensatchel.core.words.Sentence;
import org.opensatchel.core.words.Words;
import org.opensatchel.web.text.Marked;

/**
 * A path cut into its parts, the wrong ones marked, as the location page draws it.
 *
 * @param faults every fault, in order
 * @param rootIsRight whether the last part is the name the root should have
 */
record Strap(List<Part> parts, List<Hanging> faults, boolean rootIsRight, int length) {

    /** One part; kind is {@code plain}, {@code must}, {@code should} or {@code root}. */
    record Part(Marked name, String kind, List<Hanging> hanging) {}

    /** A reason that hangs from a part. */
    record Hanging(String severity, Sentence message, List<Sentence> remedy) {}

    static Strap of(String path, List<LocationFault> faults, Optional<String> rootName, Words words) {
        String shown = path.strip();
        List<String> names = shown.length() > LocationJudge.MAX_PATH ? List.of(Shortened.end(shown, 60)) : LocationJudge.parts(shown);
        boolean right = !names.isEmpty()
                && rootName.map(NameFolding::composed).filter(NameFolding.composed(names.get(names.size() - 1))::equals).isPresent();
        List<Part> parts = new ArrayList<>();
        for (int i = 0; i < names.size(); i++) {
            int at = i;
            List<LocationFault> here = faults.stream().filter(fault -> fault.part().isPresent() && fault.part().getAsInt() == at).toList();
            boolean last = i == names.size() - 1;
            String kind = here.isEmpty() ? (last && right ? "root" : "plain") : word(here.get(0));
            boolean named = here.stream().anyMatch(fault -> fault.code() == Code.LOCATION_ROOT_NAME);
            String name = names.get(i);
            Marked marked = rootName.filter(any -> named).map(wanted -> Marked.between(name, NameFolding.composed(wanted)))
                    .orElse(Marked.whole(name));
            parts.add(new Part(marked, kind, here.stream().map(fault -> hanging(fault, words)).toList()));
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
