package org.opensatchel.core.check.rule;

import static org.opensatchel.base.fact.FactName.BYTES;
import static org.opensatchel.base.fact.FactName.MACHINES;
import static org.opensatchel.base.fact.FactName.MOST_BYTES;
import static org.opensatchel.base.fact.FactName.PLACE;
import static org.opensatchel.base.fact.FactName.TYPES;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.kit.Demand;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.project.ProjectFile;
import org.opensatchel.core.resolve.CarryWording;
import org.opensatchel.formats.kind.TypeNames;

/** Files, and projects, over the kit's limits. */
final class SizeLimits implements Rule<SizeEvidence> {

    @Override
    public Class<SizeEvidence> needs() {
        return SizeEvidence.class;
    }

    @Override
    public Set<Code> gives() {
        return Set.of(Code.ASSET_TOO_LARGE, Code.ASSET_TOTAL_TOO_LARGE);
    }

    @Override
    public List<Finding> judge(SizeEvidence evidence) {
        List<Finding> out = new ArrayList<>();
        Kit.Limits limits = evidence.limits();
        limits.fileBytes().ifPresent(most -> evidence.files().stream().filter(file -> file.bytes() > most)
                .forEach(file -> out
                        .add(Finding.of(Code.ASSET_TOO_LARGE).path(file.path()).fact(BYTES, file.bytes()).fact(MOST_BYTES, most).make())));
        limits.totalBytes().ifPresent(most -> {
            if (evidence.bytes() > most) {
                out.add(Finding.of(Code.ASSET_TOTAL_TOO_LARGE).fact(BYTES, evidence.bytes()).fact(MOST_BYTES, most).make());
            }
        });
        long most = limits.fileBytes().orElse(Long.MAX_VALUE);
        evidence.refused().forEach((file, refused) -> {
            Facts facts = refused.why().facts();
            if (refused.isFor(CarryWording.FILE_TOO_LARGE) && facts.number(BYTES) <= most) {
                out.add(Finding.of(Code.ASSET_TOO_LARGE).path(file).facts(facts).fact(MACHINES, refused.machines()).make());
            }
        });
        evidence.kit().ifPresent(kit -> kit.demands(Demand.Sizes.class).forEach(rule -> sizes(evidence, rule, out)));
        return out;
    }

    private static void sizes(SizeEvidence evidence, Demand.Sizes rule, List<Finding> out) {
        List<ProjectPath> folders = rule.in().isEmpty() ? List.of(ProjectPath.ROOT) : Amounts.folders(evidence, rule.in().get()).toList();
        Optional<List<String>> types = Optional.of(rule.types()).filter(some -> !some.isEmpty());
        Optional<String> place = rule.in().map(in -> in.text());
        for (ProjectPath folder : folders) {
            List<ProjectFile> files = evidence.tree().filesBelow(folder).stream()
                    .filter(file -> rule.types().isEmpty() || TypeNames.contains(rule.types(), file.path().extension())).toList();
            rule.fileBytes().ifPresent(most -> files.stream().filter(file -> file.bytes() > most).forEach(file -> out.add(Finding
                    .of(Code.ASSET_TOO_LARGE).path(file.path()).fact(BYTES, file.bytes()).fact(MOST_BYTES, most).fact(TYPES, types)
                    .fact(PLACE, place).make())));
            long total = files.stream().mapToLong(ProjectFile::bytes).sum();
            if (rule.totalBytes().isPresent() && total > rule.totalBytes().getAsLong()) {
                out.add(Finding.of(Code.ASSET_TOTAL_TOO_LARGE).path(folder).fact(BYTES, total)
                        .fact(MOST_BYTES, rule.totalBytes().getAsLong())
                        .fact(TYPES, types).fact(PLACE, place).make());
            }
        }
    }
}
