package org.opensatchel.core.check.rule;

import static org.opensatchel.base.fact.FactName.FOUND;
import static org.opensatchel.base.fact.FactName.OTHERS;
import static org.opensatchel.base.fact.FactName.PEOPLE;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.opensatchel.base.path.LinkText;
import org.opensatchel.base.path.NameFolding;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.location.LocationJudge;
import org.opensatchel.core.location.TeamLocation;

/**
 * A team that works under different names: what one links by its whole path is then somewhere else for another. Drives are called
 * differently on every desk, so only the name of the project folder is compared.
 */
final class TeamLocations implements Rule<LocationEvidence> {

    @Override
    public Class<LocationEvidence> needs() {
        return LocationEvidence.class;
    }

    @Override
    public Set<Code> gives() {
        return Set.of(Code.LOCATION_TEAM_DIFFERS);
    }

    @Override
    public List<Finding> judge(LocationEvidence evidence) {
        Optional<String> own = evidence.places().stream().findFirst().flatMap(location -> name(location.path()));
        if (own.isEmpty()) {
            return List.of();
        }
        List<TeamLocation> other = evidence.team().stream()
                .filter(member -> name(member.path()).filter(name -> !NameFolding.composed(name).equals(NameFolding.composed(own.get())))
                        .isPresent())
                .toList();
        return other.isEmpty() ? List.of()
                : List.of(Finding.of(Code.LOCATION_TEAM_DIFFERS).fact(FOUND, own.get())
                        .fact(OTHERS, other.stream().map(member -> name(member.path()).orElseThrow()).distinct().toList())
                        .fact(PEOPLE, other.stream().map(TeamLocation::person).distinct().toList()).make());
    }

    private static Optional<String> name(String path) {
        List<String> parts = LinkText.readTyped(path).filter(address -> address.form().isAbsolute()).isPresent() ? LocationJudge.parts(path)
                : List.of();
        return parts.isEmpty() ? Optional.empty() : Optional.of(parts.get(parts.size() - 1));
    }
}
