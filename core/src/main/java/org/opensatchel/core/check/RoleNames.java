package org.opensatchel.core.check;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.opensatchel.core.finding.Advice;
import org.opensatchel.core.finding.Candidate;
import org.opensatchel.core.finding.Cause;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.naming.NameTest;
import org.opensatchel.core.naming.RosterFields;
import org.opensatchel.core.path.NameFolding;
import org.opensatchel.core.path.ProjectPath;
import org.opensatchel.core.plan.PlanMatch;
import org.opensatchel.core.plan.RoleFate;

/** Documents and required files under a wrong name, and those that should be named like another but are not. */
final class RoleNames implements Check {

    private static final Advice DOCUMENT = Advice.of("A document has the wrong name", "By its name it is known whose it is, and which version.",
            "Save the document under the right name, into the same folder.", "Delete the copy under the wrong name.");
    private static final Advice FILE = Advice.of("A required file has the wrong name", "By its name it is found and told apart from everyone else's.",
            "Rename the file, or export it again under the right name.");

    @Override
    public Map<Code, Advice> catalogue() {
        return Map.of(Code.NAME_DOCUMENT, DOCUMENT, Code.NAME_FILE, FILE);
    }

    @Override
    public List<Finding> judge(Evidence evidence) {
        List<Finding> out = new ArrayList<>();
        List<RoleFate> roles = evidence.plan().map(PlanMatch::roles).orElse(List.of());
        for (RoleFate role : roles) {
            role.misnamed().forEach(path -> misnamed(evidence, role, path).ifPresent(out::add));
            role.namedLike().ifPresent(model -> unlike(roles, role, model).forEach(out::add));
        }
        return out;
    }

    private static Optional<Finding> misnamed(Evidence evidence, RoleFate role, ProjectPath path) {
        boolean ascii = evidence.kit().orElseThrow().ascii();
        if (!(role.name().test(path.stem(), evidence.fields(), ascii) instanceof NameTest.Differs differs)) {
            return Optional.empty();
        }
        Optional<RosterFields> other = evidence.roster().stream()
                .filter(fields -> !fields.equals(evidence.fields()) && role.name().test(path.stem(), fields, ascii).fits()).findFirst();
        if (other.isPresent() && !role.name().rosterFields().isEmpty()) {
            return Optional.of(Finding.of(Code.NAME_SOMEONE_ELSE, RootName.SOMEONE_ELSE).path(path).explains(new Cause(Cause.Kind.NAME, path))
                    .saying("“" + path.name() + "” bears the name of " + RootName.person(other.get()) + "."));
        }
        String ending = path.name().substring(path.stem().length());
        Optional<String> right = role.name().make(evidence.fields(), ascii).or(differs::nearest).map(stem -> stem + ending);
        Code code = role.document() ? Code.NAME_DOCUMENT : Code.NAME_FILE;
        return Optional.of(Finding.of(code, role.document() ? DOCUMENT : FILE).path(path).explains(new Cause(Cause.Kind.NAME, path))
                .proposal(right.map(name -> new Candidate(path.parent().child(name), "the nearest right name", 0.9)))
                .saying(NameSentence.of("“" + path.name() + "” (the " + role.role() + ")", path.stem(), differs, right)));
    }

    private static List<Finding> unlike(List<RoleFate> roles, RoleFate role, String model) {
        List<String> stems = roles.stream().filter(other -> other.role().equals(model)).flatMap(other -> other.fitting().stream())
                .map(path -> NameFolding.composed(path.stem())).toList();
        if (stems.isEmpty()) {
            return List.of();
        }
        Code code = role.document() ? Code.NAME_DOCUMENT : Code.NAME_FILE;
        return role.fitting().stream().filter(path -> !stems.contains(NameFolding.composed(path.stem())))
                .map(path -> Finding.of(code, role.document() ? DOCUMENT : FILE).path(path).explains(new Cause(Cause.Kind.NAME, path))
                        .saying("“" + path.name() + "” should be named like the " + model + ": “" + stems.get(stems.size() - 1) + "”."))
                .toList();
    }
}
