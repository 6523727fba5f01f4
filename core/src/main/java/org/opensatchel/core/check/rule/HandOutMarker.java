package org.opensatchel.core.check.rule;

import static org.opensatchel.base.fact.FactName.EXPECTED;
import static org.opensatchel.base.fact.FactName.FOUND;
import static org.opensatchel.base.fact.FactName.HOW;
import static org.opensatchel.base.fact.FactName.PERSON;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.opensatchel.base.path.NameFolding;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.kit.Marker;
import org.opensatchel.core.naming.RosterField;
import org.opensatchel.core.naming.RosterFields;

/**
 * What the marker of the hand-out says against whom and what the project was handed in for: a kit of another assignment or course, or
 * one made for somebody else of the roster. A folder is renamed quickly; the marker stays what it was.
 */
final class HandOutMarker implements Rule<PlanEvidence> {

    private static final List<RosterField> WHICH = List.of(RosterField.COURSE, RosterField.ASSIGNMENT);
    private static final List<RosterField> WHO = List.of(RosterField.ID, RosterField.TEAM, RosterField.LAST, RosterField.FIRST);

    @Override
    public Class<PlanEvidence> needs() {
        return PlanEvidence.class;
    }

    @Override
    public Set<Code> gives() {
        return Set.of(Code.STRUCTURE_OTHER_KIT, Code.NAME_SOMEONE_ELSE);
    }

    @Override
    public List<Finding> judge(PlanEvidence evidence) {
        return Stream.concat(otherKit(evidence).stream(), someoneElse(evidence).stream()).toList();
    }

    private static Optional<Finding> otherKit(PlanEvidence evidence) {
        Marker marker = evidence.marker();
        if (evidence.kit().isEmpty()) {
            return Optional.empty();
        }
        Kit kit = evidence.kit().get();
        boolean known = false;
        for (RosterField field : WHICH) {
            Optional<String> here = value(evidence.given(), field)
                    .or(() -> field == RosterField.ASSIGNMENT ? kit.assignment() : Optional.empty());
            Optional<String> there = value(marker.fields(), field);
            known |= here.isPresent() && there.isPresent();
            if (differ(here, there)) {
                return Optional.of(finding(field.word(), there.get(), here.get()));
            }
        }
        // A title may change from one version to the next, but one version has one title.
        boolean sameVersion = marker.version().isPresent() && marker.version().getAsInt() == kit.version();
        return !known && sameVersion && differ(Optional.of(kit.title()), marker.title())
                ? Optional.of(finding("title", marker.title().get(), kit.title()))
                : Optional.empty();
    }

    private static Finding finding(String how, String found, String expected) {
        return Finding.of(Code.STRUCTURE_OTHER_KIT).path(ProjectPath.of(Marker.FILE)).fact(HOW, how).fact(FOUND, found)
                .fact(EXPECTED, expected).make();
    }

    private static Optional<Finding> someoneElse(PlanEvidence evidence) {
        RosterFields made = evidence.marker().fields();
        if (!namesSomebody(made) || isMeant(made, evidence.given()) || !isAnother(evidence, made)) {
            return Optional.empty();
        }
        boolean toldOfRoot = evidence.kit().isPresent() && evidence.tree().rootName().isPresent() && RootName.isOf(evidence, made);
        return toldOfRoot ? Optional.empty()
                : Optional.of(Finding.of(Code.NAME_SOMEONE_ELSE).path(ProjectPath.of(Marker.FILE))
                        .fact(HOW, "marker").fact(FOUND, Marker.FILE).fact(PERSON, RootName.person(made)).make());
    }

    /** Somebody else of the roster; without one, somebody of whom no name and no number is the same. */
    private static boolean isAnother(PlanEvidence evidence, RosterFields made) {
        if (!evidence.roster().isEmpty()) {
            return evidence.roster().stream().anyMatch(person -> isMeant(made, person));
        }
        List<RosterField> known = WHO.stream().filter(field -> value(made, field).isPresent() && value(evidence.given(), field).isPresent())
                .toList();
        return !known.isEmpty() && known.stream().allMatch(field -> differ(value(made, field), value(evidence.given(), field)));
    }

    private static boolean namesSomebody(RosterFields made) {
        return WHO.stream().anyMatch(field -> value(made, field).isPresent());
    }

    /** Whether a marker means somebody: by team or number where both have one, else by name; what is not known speaks for it. */
    private static boolean isMeant(RosterFields made, RosterFields person) {
        for (RosterField sure : List.of(RosterField.ID, RosterField.TEAM)) {
            if (value(made, sure).isPresent() && value(person, sure).isPresent()) {
                return !differ(value(made, sure), value(person, sure));
            }
        }
        return !differ(value(made, RosterField.LAST), value(person, RosterField.LAST))
                && !differ(value(made, RosterField.FIRST), value(person, RosterField.FIRST));
    }

    private static boolean differ(Optional<String> here, Optional<String> there) {
        return here.isPresent() && there.isPresent() && !NameFolding.loose(here.get()).equals(NameFolding.loose(there.get()));
    }

    private static Optional<String> value(RosterFields fields, RosterField field) {
        return Optional.ofNullable(fields.values().get(field)).filter(text -> !text.isBlank());
    }
}
