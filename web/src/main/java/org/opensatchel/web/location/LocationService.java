package org.opensatchel.web.location;

import java.time.Clock;
import java.time.Instant;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.opensatchel.core.finding.Severity;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.kit.PlannedPaths;
import org.opensatchel.core.location.LocationFault;
import org.opensatchel.core.location.LocationJudge;
import org.opensatchel.core.location.LocationPolicy;
import org.opensatchel.core.location.OperatingSystem;
import org.opensatchel.core.location.ProjectLocation;
import org.opensatchel.core.location.StorageKind;
import org.opensatchel.core.naming.RosterField;
import org.opensatchel.web.course.AssignmentView;
import org.opensatchel.web.course.CourseService.Membership;
import org.opensatchel.web.kit.KitService;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Where projects live, as their students say; every setting is judged at once and kept. */
@Service
public class LocationService {

    /** Longest path that is kept, in characters; longer ones are refused before anything is stored. */
    static final int MAX_PATH = LocationJudge.MAX_PATH;

    private final LocationRepository locations;
    private final LocationRows rows;
    private final KitService kits;
    private final Clock clock;

    LocationService(LocationRepository locations, LocationRows rows, KitService kits, Clock clock) {
        this.locations = locations;
        this.rows = rows;
        this.kits = kits;
        this.clock = clock;
    }

    /** Where each student of an assignment says the project lies, by enrolment; who works on several computers, on the first. */
    @Transactional(readOnly = true)
    public Map<Long, SetLocation> current(AssignmentView assignment) {
        Map<Long, SetLocation> first = new HashMap<>();
        everywhere(assignment).forEach((enrolment, places) -> first.put(enrolment, places.get(0)));
        return first;
    }

    /** The same on every computer of each. */
    @Transactional(readOnly = true)
    public Map<Long, List<SetLocation>> everywhere(AssignmentView assignment) {
        return rows.current(assignment.id()).stream()
                .collect(Collectors.groupingBy(SetLocation::enrolmentId));
    }

    /** Where one student's project lies, on each of their computers. */
    @Transactional(readOnly = true)
    public List<SetLocation> current(AssignmentView assignment, long enrolment) {
        return rows.current(assignment.id(), List.of(enrolment));
    }

    /** Where some students' projects lie, by enrolment; who works on several computers, on the first. */
    @Transactional(readOnly = true)
    public Map<Long, SetLocation> current(AssignmentView assignment, Collection<Long> enrolments) {
        Map<Long, SetLocation> first = new HashMap<>();
        if (!enrolments.isEmpty()) {
            rows.current(assignment.id(), enrolments).forEach(place -> first.putIfAbsent(place.enrolmentId(), place));
        }
        return first;
    }

    /** A student's locations, the newest first. */
    @Transactional(readOnly = true)
    public List<SetLocation> history(Membership place) {
        return locations.history(place.assignment().id(), place.student().enrolmentId()).stream().map(LocationEntry::view).toList();
    }

    /** What is wrong with a location for this student. */
    @Transactional(readOnly = true)
    public List<LocationFault> judge(Membership place, ProjectLocation location) {
        Optional<Kit> kit = kits.current(place.assignment()).map(published -> published.kit());
        int deepest = kit.map(plan -> PlannedPaths.deepest(plan, place.student().fields(place.assignment()))).orElse(0);
        return LocationJudge.judge(location, kit.flatMap(Kit::location), rootName(place), deepest);
    }

    /** What the roster does not say of this student and the name of the root is made from. */
    @Transactional(readOnly = true)
    public List<RosterField> missing(Membership place) {
        return kits.current(place.assignment()).map(published -> published.kit().root().missing(place.student().fields(place.assignment())))
                .orElse(List.of());
    }

    /** The name the student's root should have. */
    @Transactional(readOnly = true)
    public Optional<String> rootName(Membership place) {
        return kits.current(place.assignment())
                .flatMap(published -> published.kit().root().make(place.student().fields(place.assignment()), published.kit().ascii()));
    }

    @Transactional(readOnly = true)
    public LocationPolicy policy(AssignmentView assignment) {
        return kits.current(assignment).flatMap(published -> published.kit().location()).orElse(LocationPolicy.ANYWHERE);
    }

    /** @param computer what the student calls the computer; empty for who has one */
    @Transactional
    public SetLocation set(Membership place, String computer, ProjectLocation location) {
        return set(place, computer, location, clock.instant());
    }

    /** Says that the project lies on a computer no more. */
    @Transactional
    public void giveUp(Membership place, SetLocation was) {
        locations
                .save(new LocationEntry(place.assignment().id(), place.student().enrolmentId(), was.computer(), was.system(), was.storage(),
                        was.path(), was.must(), was.should(), clock.instant(), true));
    }

    /** For the demo: a setting at a time of its own. */
    @Transactional
    public SetLocation set(Membership place, String computer, ProjectLocation location, Instant when) {
        List<LocationFault> faults = judge(place, location);
        int must = (int) faults.stream().filter(fault -> fault.code().severity() == Severity.MUST).count();
        return locations.save(
                new LocationEntry(place.assignment().id(), place.student().enrolmentId(), computer,
                        location.system().orElse(OperatingSystem.WINDOWS),
                        location.storage().orElse(StorageKind.LOCAL), location.path().strip(), must, faults.size() - must, when, false))
                .view();
    }
}
