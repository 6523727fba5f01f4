package org.opensatchel.core.check;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.opensatchel.core.finding.Candidate;
import org.opensatchel.core.finding.Cause;
import org.opensatchel.core.kit.Need;
import org.opensatchel.core.path.LinkAddress;
import org.opensatchel.core.path.LinkForm;
import org.opensatchel.core.path.LinkText;
import org.opensatchel.core.path.ProjectPath;
import org.opensatchel.core.plan.FolderFate;
import org.opensatchel.core.plan.PlanMatch;
import org.opensatchel.core.plan.RoleFate;
import org.opensatchel.core.plan.StarterFate;
import org.opensatchel.core.resolve.ResolvedLink;

/** Which other finding explains why a link is broken. */
final class LinkCauses {

    private LinkCauses() {
    }

    static Optional<Cause> of(Evidence evidence, ResolvedLink link) {
        Optional<Cause> planned = evidence.plan().flatMap(plan -> intoBrokenFolder(plan, link).or(() -> fromMovedDocument(evidence, plan, link)).or(() -> toStarter(plan, link)).or(() -> toRole(evidence, plan, link)));
        return planned.or(() -> toShortcut(evidence, link));
    }

    private static Optional<Cause> intoBrokenFolder(PlanMatch plan, ResolvedLink link) {
        return link.intended().flatMap(plan::brokenFolder).map(fate -> new Cause(Cause.Kind.FOLDER, fate.planned()));
    }

    /** A document that moved takes the start of its relative links along: from its planned place they would lead right. */
    private static Optional<Cause> fromMovedDocument(Evidence evidence, PlanMatch plan, ResolvedLink link) {
        if (link.form() != LinkForm.RELATIVE) {
            return Optional.empty();
        }
        ProjectPath document = link.link().file();
        Optional<Cause> role = plan.roles().stream().filter(fate -> fate.misplaced().contains(document))
                .filter(fate -> leadsRight(evidence, plan, link, fate.in())).map(fate -> Roles.misplaced(document)).findFirst();
        if (role.isPresent()) {
            return role;
        }
        ProjectPath right = plan.canonical(document);
        return right.equals(document) || !leadsRight(evidence, plan, link, right.parent()) ? Optional.empty()
                : plan.folders().stream().filter(fate -> fate.kind() != FolderFate.Kind.THERE && right.isWithin(fate.planned())).findFirst()
                        .map(fate -> new Cause(Cause.Kind.FOLDER, fate.planned()));
    }

    private static boolean leadsRight(Evidence evidence, PlanMatch plan, ResolvedLink link, ProjectPath from) {
        Optional<LinkAddress> address = LinkText.read(link.link().text(), link.link().notation());
        Optional<List<String>> names = address.flatMap(read -> LinkAddress.resolve(new ArrayList<>(from.names()), read.names()));
        return names.map(ProjectPath::of).filter(path -> evidence.tree().exists(path) || plan.brokenFolder(path).isPresent()).isPresent();
    }

    private static Optional<Cause> toStarter(PlanMatch plan, ResolvedLink link) {
        return link.intended().flatMap(plan::starter).filter(starter -> starter.kind() != StarterFate.Kind.AS_IT_WAS && starter.kind() != StarterFate.Kind.CHANGED)
                .map(starter -> new Cause(Cause.Kind.STARTER, starter.file().path()));
    }

    /** A link to what a required file or document should be called, where that one is misnamed, elsewhere or not there. */
    private static Optional<Cause> toRole(Evidence evidence, PlanMatch plan, ResolvedLink link) {
        return link.intended().flatMap(wanted -> plan.roles().stream().filter(role -> role.in().equals(plan.canonical(wanted.parent())) && role.takes(wanted))
                .filter(role -> role.name().test(wanted.stem(), evidence.fields(), evidence.kit().orElseThrow().ascii()).fits())
                .flatMap(role -> whatBecameOf(role, link).stream()).findFirst());
    }

    private static Optional<Cause> whatBecameOf(RoleFate role, ResolvedLink link) {
        if (!role.misnamed().isEmpty()) {
            Optional<ProjectPath> meant = role.misnamed().size() == 1 ? Optional.of(role.misnamed().get(0))
                    : link.candidates().stream().map(Candidate::path).filter(role.misnamed()::contains).findFirst();
            return meant.map(path -> new Cause(Cause.Kind.NAME, path));
        }
        boolean gone = !role.misplaced().isEmpty() || (!role.isFilled() && role.need() == Need.REQUIRED);
        return gone ? Optional.of(Roles.cause(role)) : Optional.empty();
    }

    private static Optional<Cause> toShortcut(Evidence evidence, ResolvedLink link) {
        return link.intended().flatMap(evidence.standIns()::at).map(path -> new Cause(Cause.Kind.SHORTCUT, path));
    }
}
