package org.opensatchel.core.check;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.opensatchel.core.finding.Advice;
import org.opensatchel.core.finding.Cause;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.location.LocationJudge;
import org.opensatchel.core.location.ProjectLocation;
import org.opensatchel.core.path.LinkAddress;
import org.opensatchel.core.path.LinkText;
import org.opensatchel.core.path.ProjectPath;

/** The declared location: what its path alone tells, and whether the links agree with it. */
final class LocationFaults implements Check {

    private static final Map<Code, Advice> PLACES = new LinkedHashMap<>();

    static {
        PLACES.put(Code.LOCATION_SUBFOLDER, Advice.of("The location is a folder inside the project", "Programs then look for everything one level too deep.",
                "Set the location to the top of the project, here and in your program."));
        PLACES.put(Code.LOCATION_PARENT, Advice.of("The location is the folder around the project", "Programs then look for everything one level too high.",
                "Set the location to the project folder itself, here and in your program."));
        PLACES.put(Code.LOCATION_ROOT_NAME, Advice.of("The location's folder has another name", "Links and teammates find the project by its name.",
                "Rename the folder to the name the kit gave it.", "Set the location again, here and in your program."));
        PLACES.put(Code.LOCATION_AVOIDED_PLACE, Advice.of("The project lies in a place to keep away from", "Such places are emptied, hidden or moved without asking.",
                "Move the whole project folder to a better place.", "Set the location again, here and in your program."));
        PLACES.put(Code.LOCATION_STORAGE_KIND, Advice.of("The project lies on the wrong kind of disk", "The assignment says where projects have to live, so that they open in the labs.",
                "Move the whole project folder to an allowed disk.", "Set the location again, here and in your program."));
        PLACES.put(Code.LOCATION_TOO_LONG, Advice.of("The path of the project is too long", "The files inside then have paths that some systems cannot open.",
                "Move the project folder nearer to the top of its disk.", "Set the location again, here and in your program."));
    }

    private static final Advice UNDECLARED = Advice.of("No location was set", "Knowing it, the check can tell links tied to it from links that lead astray.",
            "Say where the project lives, on the location page.");
    private static final Advice DIFFERS = Advice.of("The links were made in another place", "The project was moved after linking, or another location was set in the program.",
            "See which of the two is right, and set that one here and in your program.");

    @Override
    public Map<Code, Advice> catalogue() {
        Map<Code, Advice> all = new LinkedHashMap<>(PLACES);
        all.put(Code.LOCATION_UNDECLARED, UNDECLARED);
        all.put(Code.LOCATION_DIFFERS, DIFFERS);
        return all;
    }

    @Override
    public List<Finding> judge(Evidence evidence) {
        if (evidence.location().isEmpty()) {
            boolean asked = evidence.kit().flatMap(Kit::location).isPresent();
            return asked ? List.of(Finding.of(Code.LOCATION_UNDECLARED, UNDECLARED).saying("Nobody has said yet where this project lives.")) : List.of();
        }
        ProjectLocation location = evidence.location().get();
        Optional<String> root = evidence.rootNames().expected().or(() -> evidence.rootNames().actual());
        List<Finding> out = new ArrayList<>();
        LocationJudge.judge(location, evidence.kit().flatMap(Kit::location), root)
                .forEach(fault -> out.add(Finding.of(fault.code(), PLACES.get(fault.code())).remedy(fault.remedy(), "For example: " + fault.example())
                        .causedBy(cause(evidence, location, fault.code())).saying(fault.message())));
        evidence.resolution().inferred().filter(inferred -> !same(location.path(), inferred))
                .ifPresent(inferred -> out.add(Finding.of(Code.LOCATION_DIFFERS, DIFFERS)
                        .saying("The location set is “" + location.path() + "”; the links were made while the project lay at “" + inferred + "”.")));
        return out;
    }

    /** A location that ends in the wrong name the root really has is wrong for that reason only. */
    private static Optional<Cause> cause(Evidence evidence, ProjectLocation location, Code code) {
        List<String> parts = LocationJudge.parts(location.path());
        boolean asItIs = code == Code.LOCATION_ROOT_NAME && !parts.isEmpty() && evidence.rootNames().actual().filter(parts.get(parts.size() - 1)::equals).isPresent();
        return asItIs ? Optional.of(new Cause(Cause.Kind.NAME, ProjectPath.ROOT)) : Optional.empty();
    }

    private static boolean same(String declared, String inferred) {
        Optional<LinkAddress> a = LinkText.readTyped(declared);
        Optional<LinkAddress> b = LinkText.readTyped(inferred);
        return a.isPresent() && b.isPresent() && a.get().prefixKey(a.get().names().size()).equals(b.get().prefixKey(b.get().names().size()));
    }
}
