package org.opensatchel.core.check;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.opensatchel.core.finding.Advice;
import org.opensatchel.core.finding.Candidate;
import org.opensatchel.core.finding.Cause;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.naming.NameTest;
import org.opensatchel.core.naming.RosterField;
import org.opensatchel.core.naming.RosterFields;
import org.opensatchel.core.path.ProjectPath;

/** The name of the root: not as the kit makes it, or somebody else's. */
final class RootName implements Check {

    private static final Advice WRONG = Advice.of("The project folder has the wrong name", "By its name it is told apart from everyone else's, on every machine.",
            "Close your program and rename the project folder.", "Set the project location again, open the document, and save.");
    static final Advice SOMEONE_ELSE = Advice.of("The name is somebody else's", "It would be graded as another student's work.",
            "Make sure that this is your own project.", "Rename it with your own name, set the location again, and save.");

    @Override
    public Map<Code, Advice> catalogue() {
        return Map.of(Code.NAME_ROOT, WRONG, Code.NAME_SOMEONE_ELSE, SOMEONE_ELSE);
    }

    @Override
    public List<Finding> judge(Evidence evidence) {
        if (evidence.kit().isEmpty() || evidence.tree().rootName().isEmpty()) {
            return List.of();
        }
        Kit kit = evidence.kit().get();
        String name = evidence.tree().rootName().get();
        if (!(kit.root().test(name, evidence.fields(), kit.ascii()) instanceof NameTest.Differs differs)) {
            return List.of();
        }
        Optional<RosterFields> other = evidence.roster().stream().filter(fields -> !fields.equals(evidence.fields()) && kit.root().test(name, fields, kit.ascii()).fits()).findFirst();
        if (other.isPresent()) {
            return List.of(Finding.of(Code.NAME_SOMEONE_ELSE, SOMEONE_ELSE).explains(new Cause(Cause.Kind.NAME, ProjectPath.ROOT))
                    .saying("The project folder “" + name + "” bears the name of " + person(other.get()) + "."));
        }
        Optional<String> right = kit.root().make(evidence.fields(), kit.ascii()).or(differs::nearest).filter(nearest -> !nearest.equals(name));
        return List.of(Finding.of(Code.NAME_ROOT, WRONG).explains(new Cause(Cause.Kind.NAME, ProjectPath.ROOT))
                .causedBy(new Cause(Cause.Kind.ROOT, ProjectPath.ROOT))
                .proposal(right.map(nearest -> new Candidate(ProjectPath.of(nearest), "the name the kit makes", 0.9)))
                .saying(NameSentence.of("The project folder “" + name + "”", name, differs, right)));
    }

    static String person(RosterFields fields) {
        return (fields.values().getOrDefault(RosterField.FIRST, "") + " " + fields.values().getOrDefault(RosterField.LAST, "")).strip();
    }
}
