package org.opensatchel.core.lint;

import static org.opensatchel.base.fact.FactName.AT;
import static org.opensatchel.base.fact.FactName.CODE;
import static org.opensatchel.base.fact.FactName.FAULT;
import static org.opensatchel.base.fact.FactName.PLACE;

import java.io.IOException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.core.check.CheckRequest;
import org.opensatchel.core.check.ProjectCheck;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.naming.RosterFields;
import org.opensatchel.core.pack.Handout;
import org.opensatchel.core.project.ProjectSource;
import org.opensatchel.core.report.Report;
import org.opensatchel.core.report.Report.FindingLine;

/** The kit as it goes out, handed in untouched, is told what is still to be made, and nothing else. */
final class EmptyKit implements LintRule {

    /** What is left to the student. */
    private static final Set<String> TO_DO = Set.of(Code.STRUCTURE_TOO_FEW.id(), Code.STRUCTURE_DOCUMENT_MISSING.id(),
            Code.STRUCTURE_FOLDER_MISSING.id(), Code.STRUCTURE_REPEATS_TOO_FEW.id(),
            Code.ASSET_REQUIRED_MISSING.id(), Code.HABIT_VERSIONS_TOO_FEW.id());

    @Override
    public List<LintFault> judge(LintSubject subject) throws IOException {
        RosterFields student = subject.longest();
        Optional<Handout> handout = Handout.of(subject.kit(), "0".repeat(64), student);
        if (handout.isEmpty()) {
            return List.of();
        }
        boolean whole = subject.contents().isPresent() && new StarterThere().judge(subject).isEmpty();
        try (ProjectSource source = handout.get().asProject(whole ? subject.contents() : Optional.empty())) {
            Report report = new ProjectCheck(CheckRequest.of(Optional.of(subject.kit()), student).withDocuments(whole).at(Instant.EPOCH))
                    .run(source);
            List<LintFault> out = new ArrayList<>();
            report.findings().stream().filter(finding -> !finding.severity().equals("note") && !TO_DO.contains(finding.code()))
                    .forEach(finding -> out.add(fault(subject, finding)));
            return out;
        }
    }

    private static LintFault fault(LintSubject subject, FindingLine finding) {
        String at = place(subject, finding.path());
        if (finding.code().startsWith("link.")) {
            return new LintFault(LintCode.STARTER_LINK, at,
                    LintWording.STARTER_LINK.say(Facts.of(PLACE, finding.path()).and(AT, finding.at()).and(FAULT, finding.said())));
        }
        return new LintFault(LintCode.NOT_CLEAN, at, LintWording.NOT_CLEAN.say(Facts.of(CODE, finding.code()).and(FAULT, finding.said())));
    }

    private static String place(LintSubject subject, String path) {
        for (int i = 0; i < subject.kit().starter().size(); i++) {
            if (subject.kit().starter().get(i).path().text().equals(path)) {
                return "/starter/" + i;
            }
        }
        for (int i = 0; i < subject.kit().folders().size(); i++) {
            if (subject.kit().folders().get(i).path().text().equals(path)) {
                return "/folders/" + i;
            }
        }
        return "";
    }
}
