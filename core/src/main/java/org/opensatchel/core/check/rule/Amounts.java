package org.opensatchel.core.check.rule;

import static org.opensatchel.base.fact.FactName.COUNT;
import static org.opensatchel.base.fact.FactName.FOUND;
import static org.opensatchel.base.fact.FactName.LEAST;
import static org.opensatchel.base.fact.FactName.MOST;
import static org.opensatchel.base.fact.FactName.PATTERN;
import static org.opensatchel.base.fact.FactName.RANGES;
import static org.opensatchel.base.fact.FactName.TYPES;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Stream;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.kit.Demand;
import org.opensatchel.core.kit.FolderPattern;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.match.PlanMatch;
import org.opensatchel.core.project.ProjectFile;
import org.opensatchel.formats.kind.TypeNames;

/** How many files of a type a folder holds, and whether those that are numbered follow one another. */
final class Amounts implements Rule<PlanEvidence> {

    @Override
    public Class<PlanEvidence> needs() {
        return PlanEvidence.class;
    }

    @Override
    public Set<Code> gives() {
        return Set.of(Code.STRUCTURE_TOO_FEW, Code.STRUCTURE_TOO_MANY, Code.STRUCTURE_NUMBER_GAP);
    }

    @Override
    public List<Finding> judge(PlanEvidence evidence) {
        List<Finding> out = new ArrayList<>();
        if (evidence.plan().isEmpty()) {
            return out;
        }
        Kit kit = evidence.kit().orElseThrow();
        kit.demands(Demand.Amount.class)
                .forEach(amount -> folders(evidence, amount.in()).forEach(folder -> amount(evidence, amount, folder, out)));
        kit.demands(Demand.Numbering.class)
                .forEach(numbering -> folders(evidence, numbering.in()).forEach(folder -> numbers(evidence, numbering, folder, out)));
        return out;
    }

    /** The folders that stand for a planned one, under whatever name; what is not there is told as that. */
    static Stream<ProjectPath> folders(PlanEvidence evidence, FolderPattern in) {
        return evidence.plan().map(PlanMatch::folders).orElse(List.of()).stream()
                .filter(match -> match.rule().path().key().equals(in.key()))
                .flatMap(match -> match.found().stream());
    }

    private static void amount(PlanEvidence evidence, Demand.Amount amount, ProjectPath folder, List<Finding> out) {
        int count = (int) evidence.tree().filesBelow(folder).stream().map(ProjectFile::path)
                .filter(path -> !path.name().startsWith(".")
                        && (amount.types().isEmpty() || TypeNames.contains(amount.types(), path.extension())))
                .count();
        Optional<List<String>> types = Optional.of(amount.types()).filter(some -> !some.isEmpty());
        if (count < amount.atLeast()) {
            out.add(Finding.of(Code.STRUCTURE_TOO_FEW).path(folder).fact(FOUND, folder).fact(COUNT, count).fact(LEAST, amount.atLeast())
                    .fact(TYPES, types).make());
        } else if (amount.atMost().isPresent() && count > amount.atMost().getAsInt()) {
            out.add(Finding.of(Code.STRUCTURE_TOO_MANY).path(folder).fact(FOUND, folder).fact(COUNT, count)
                    .fact(MOST, amount.atMost().getAsInt())
                    .fact(TYPES, types).make());
        }
    }

    private static void numbers(PlanEvidence evidence, Demand.Numbering rule, ProjectPath folder, List<Finding> out) {
        TreeSet<Long> numbers = new TreeSet<>();
        int digits = 1;
        for (ProjectFile file : evidence.tree().filesIn(folder)) {
            boolean typed = rule.types().isEmpty() || TypeNames.contains(rule.types(), file.path().extension());
            Optional<String> number = typed
                    ? rule.name().number(file.path().stem(), evidence.fields(), evidence.kit().orElseThrow().ascii())
                    : Optional.empty();
            if (number.isPresent()) {
                numbers.add(Long.parseLong(number.get()));
                digits = Math.max(digits, number.get().length());
            }
        }
        List<String> ranges = Gaps.between(numbers, digits);
        if (!ranges.isEmpty()) {
            out.add(Finding.of(Code.STRUCTURE_NUMBER_GAP).path(folder)
                    .fact(PATTERN, rule.name().example(evidence.fields(), evidence.kit().orElseThrow().ascii())).fact(RANGES, ranges)
                    .make());
        }
    }
}
