package org.opensatchel.core.check;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.opensatchel.core.finding.Advice;
import org.opensatchel.core.finding.Candidate;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.kit.Need;
import org.opensatchel.core.path.ProjectPath;
import org.opensatchel.core.plan.PlanMatch;
import org.opensatchel.core.plan.RoleFate;

/** Documents and files the student has to make that are missing, or lie in the wrong place. */
final class RoleFiles implements Check {

    private static final Advice DOCUMENT_MISSING = Advice.of("A document is missing", "Without it there is nothing to open.",
            "Save the document into this folder, under the name the pattern makes.", "Hand in again.");
    private static final Advice DOCUMENT_MISPLACED = Advice.of("A document lies in the wrong place", "Its links are counted from where it lies, and others look for it where it was agreed.",
            "Open it, save it into its planned folder, and link again what went missing.", "Delete the copy in the wrong place.");
    private static final Advice FILE_MISSING = Advice.of("A required file is missing", "It is part of what is graded.",
            "Export or copy the file into this folder, under the name the pattern makes.", "Hand in again.");

    @Override
    public Map<Code, Advice> catalogue() {
        return Map.of(Code.STRUCTURE_DOCUMENT_MISSING, DOCUMENT_MISSING, Code.STRUCTURE_DOCUMENT_MISPLACED, DOCUMENT_MISPLACED, Code.ASSET_REQUIRED_MISSING, FILE_MISSING);
    }

    @Override
    public List<Finding> judge(Evidence evidence) {
        List<Finding> out = new ArrayList<>();
        for (RoleFate role : evidence.plan().map(PlanMatch::roles).orElse(List.of())) {
            role.misplaced().forEach(found -> misplaced(evidence, role, found).ifPresent(out::add));
            if (!role.isFilled() && role.need() == Need.REQUIRED) {
                out.add(missing(evidence, role));
            }
        }
        return out;
    }

    private static Optional<Finding> misplaced(Evidence evidence, RoleFate role, ProjectPath found) {
        if (role.need() == Need.FORBIDDEN) {
            return Optional.empty();
        }
        boolean named = role.name().test(found.stem(), evidence.fields(), evidence.kit().orElseThrow().ascii()).fits();
        ProjectPath right = role.in().child(named ? found.name() : Roles.expectedName(role, evidence));
        String message = "“" + found + "” is the " + role.role() + ", and belongs in " + Roles.place(role.in()) + (named ? "." : ", named like “" + Roles.expectedName(role, evidence) + "”.");
        Code code = role.document() ? Code.STRUCTURE_DOCUMENT_MISPLACED : Code.ASSET_REQUIRED_MISSING;
        Optional<Candidate> proposal = named ? Optional.of(new Candidate(right, "its planned place", 0.9)) : Optional.empty();
        return Optional.of(Finding.of(code, role.document() ? DOCUMENT_MISPLACED : FILE_MISSING).path(role.document() ? found : right).explains(Roles.misplaced(found)).explains(Roles.cause(role)).proposal(proposal).saying(message));
    }

    private static Finding missing(Evidence evidence, RoleFate role) {
        String name = Roles.expectedName(role, evidence);
        Optional<String> made = role.name().make(evidence.fields(), evidence.kit().orElseThrow().ascii());
        Code code = role.document() ? Code.STRUCTURE_DOCUMENT_MISSING : Code.ASSET_REQUIRED_MISSING;
        ProjectPath path = role.document() || made.isEmpty() ? role.in() : role.in().child(name);
        return Finding.of(code, role.document() ? DOCUMENT_MISSING : FILE_MISSING).path(path).explains(Roles.cause(role))
                .causedBy(Roles.folderCause(evidence.plan().orElseThrow(), role.in()))
                .saying("The " + role.role() + " is missing: “" + name + "” belongs in " + Roles.place(role.in()) + ".");
    }
}
