package org.opensatchel.core.check.rule;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.opensatchel.base.path.LinkAddress;
import org.opensatchel.base.path.LinkForm;
import org.opensatchel.base.path.LinkText;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.finding.Candidate;
import org.opensatchel.core.finding.Cause;
import org.opensatchel.core.kit.Need;
import org.opensatchel.core.match.PlanMatch;
import org.opensatchel.core.match.PlannedFolder;
import org.opensatchel.core.match.PlannedRole;
import org.opensatchel.core.match.PlannedStarter;
import org.opensatchel.core.resolve.ResolvedLink;

/** Which other finding explains why a link is broken. */
public final class LinkCauses {

    private LinkCauses() {
    }

    public static Optional<Cause> of(PlanEvidence evidence, ResolvedLink link) {
        Optional<Cause> planned = evidence.plan()
                .flatMap(plan -> intoBrokenFolder(plan, link).or(() -> fromMovedDocument(evidence, plan, link))
                        .or(() -> toStarter(plan, link)).or(() -> toSealed(plan, link)).or(() -> toRole(evidence, plan, link)));
        return planned.or(() -> intoRenamed(evidence, link)).or(() -> toShortcut(evidence, link));
    }

    private static Optional<Cause> intoRenamed(PlanEvidence evidence, ResolvedLink link) {
        return link.intended().map(ProjectPath::composed)
                .flatMap(path -> evidence.became().keySet().stream().filter(path::isBelow).findFirst())
                .map(folder -> new Cause(Cause.Kind.FOLDER, folder));
    }

    private static Optional<Cause> intoBrokenFolder(PlanMatch plan, ResolvedLink link) {
        return link.intended().flatMap(plan::brokenFolder).map(match -> new Cause(Cause.Kind.FOLDER, match.planned()));
    }

    /** A document that moved takes the start of its relative links along: from its planned place they would lead right. */
    private static Optional<Cause> fromMovedDocument(PlanEvidence evidence, PlanMatch plan, ResolvedLink link) {
        if (link.form() != LinkForm.RELATIVE) {
            return Optional.empty();
        }
        ProjectPath document = link.link().file();
        Optional<Cause> role = plan.roles().stream().filter(match -> match.misplaced().contains(document))
                .filter(match -> leadsRight(evidence, plan, link, match.in())).map(match -> Roles.misplaced(document)).findFirst();
        if (role.isPresent()) {
            return role;
        }
        ProjectPath right = plan.canonical(document);
        return right.equals(document) || !leadsRight(evidence, plan, link, right.parent()) ? Optional.empty()
                : plan.folders().stream().filter(match -> match.kind() != PlannedFolder.Kind.THERE && right.isWithin(match.planned()))
                        .findFirst()
                        .map(match -> new Cause(Cause.Kind.FOLDER, match.planned()));
    }

    private static boolean leadsRight(PlanEvidence evidence, PlanMatch plan, ResolvedLink link, ProjectPath from) {
        Optional<LinkAddress> address = LinkText.read(link.link().text(), link.link().notation());
        Optional<List<String>> names = address.flatMap(read -> LinkAddress.resolve(new ArrayList<>(from.names()), read.names()));
        return names.map(ProjectPath::of).filter(path -> evidence.tree().exists(path) || plan.brokenFolder(path).isPresent()).isPresent();
    }

    private static Optional<Cause> toStarter(PlanMatch plan, ResolvedLink link) {
        return link.intended().flatMap(plan::starter)
                .filter(starter -> starter.kind() != PlannedStarter.Kind.AS_IT_WAS && starter.kind() != PlannedStarter.Kind.CHANGED)
                .map(starter -> new Cause(Cause.Kind.STARTER, starter.file().path()));
    }

    private static Optional<Cause> toSealed(PlanMatch plan, ResolvedLink link) {
        return link.intended().flatMap(plan::touched).map(file -> new Cause(Cause.Kind.STARTER, file.path()));
    }

    /** A link to what a required file or document should be called, where that one is misnamed, elsewhere or not there. */
    private static Optional<Cause> toRole(PlanEvidence evidence, PlanMatch plan, ResolvedLink link) {
        return link.intended()
                .flatMap(wanted -> plan.roles().stream()
                        .filter(role -> role.in().equals(plan.canonical(wanted.parent())) && role.takes(wanted))
                        .filter(role -> role.name().test(wanted.stem(), evidence.fields(), evidence.kit().orElseThrow().ascii()).fits())
                        .flatMap(role -> whatBecameOf(role, link).stream()).findFirst());
    }

    private static Optional<Cause> whatBecameOf(PlannedRole role, ResolvedLink link) {
        if (!role.misnamed().isEmpty()) {
            Optional<ProjectPath> meant = role.misnamed().size() == 1 ? Optional.of(role.misnamed().get(0))
                    : link.candidates().stream().map(Candidate::path).filter(role.misnamed()::contains).findFirst();
            return meant.map(path -> new Cause(Cause.Kind.NAME, path));
        }
        boolean gone = !role.misplaced().isEmpty() || !role.otherType().isEmpty() || (!role.isFilled() && role.need() == Need.REQUIRED);
        return gone ? Optional.of(Roles.cause(role)) : Optional.empty();
    }

    private static Optional<Cause> toShortcut(PlanEvidence evidence, ResolvedLink link) {
        return link.intended().flatMap(evidence.standIns()::at).map(path -> new Cause(Cause.Kind.SHORTCUT, path));
    }
}
