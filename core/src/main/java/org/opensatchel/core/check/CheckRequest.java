package org.opensatchel.core.check;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.location.ProjectLocation;
import org.opensatchel.core.location.TeamLocation;
import org.opensatchel.core.machine.Machine;
import org.opensatchel.core.naming.RosterFields;
import org.opensatchel.core.project.ReadLimits;
import org.opensatchel.core.project.SealedFile;
import org.opensatchel.core.scan.ContentScan.ScanProgress;
import org.opensatchel.core.words.Words;

/**
 * What a project is checked against.
 *
 * @param fields whose project it should be; what is not given is taken from the project's marker file
 * @param roster everybody in the class, may be empty
 * @param location where the student says it lies
 * @param documentsKnown whether documents can be read; a bare listing has none
 * @param newer a later version of the kit; what differs in it is noted
 * @param machines the machines it is carried to; those of the kit where none is named
 * @param made the time to put on the report
 * @param words the language its sentences are written in
 * @param earlier the files of sealed folders as an earlier hand-in had them
 * @param team where the others of the team say the project lies
 */
public record CheckRequest(Optional<Kit> kit, RosterFields fields, List<RosterFields> roster, Optional<ProjectLocation> location, boolean documentsKnown,
        ReadLimits limits, Instant made, ScanProgress progress, Optional<Kit> newer, List<Machine> machines, Words words, List<TeamLocation> team, List<SealedFile> earlier) {

    public static CheckRequest of(Optional<Kit> kit, RosterFields fields) {
        return new CheckRequest(kit, fields, List.of(), Optional.empty(), true, ReadLimits.DEFAULT, Instant.now(), (files, bytes) -> { }, Optional.empty(), List.of(), Words.ENGLISH, List.of(), List.of());
    }

    public CheckRequest at(Instant time) {
        return new CheckRequest(kit, fields, roster, location, documentsKnown, limits, time, progress, newer, machines, words, team, earlier);
    }

    public CheckRequest located(Optional<ProjectLocation> where) {
        return new CheckRequest(kit, fields, roster, where, documentsKnown, limits, made, progress, newer, machines, words, team, earlier);
    }

    public CheckRequest within(ReadLimits bounds) {
        return new CheckRequest(kit, fields, roster, location, documentsKnown, bounds, made, progress, newer, machines, words, team, earlier);
    }

    public CheckRequest amongst(List<RosterFields> everybody) {
        return new CheckRequest(kit, fields, everybody, location, documentsKnown, limits, made, progress, newer, machines, words, team, earlier);
    }

    public CheckRequest withDocuments(boolean known) {
        return new CheckRequest(kit, fields, roster, location, known, limits, made, progress, newer, machines, words, team, earlier);
    }

    public CheckRequest telling(ScanProgress listener) {
        return new CheckRequest(kit, fields, roster, location, documentsKnown, limits, made, listener, newer, machines, words, team, earlier);
    }

    public CheckRequest before(Optional<Kit> later) {
        return new CheckRequest(kit, fields, roster, location, documentsKnown, limits, made, progress, later, machines, words, team, earlier);
    }

    /** Carries the project to these machines instead of the kit's. */
    public CheckRequest carriedTo(List<Machine> named) {
        return new CheckRequest(kit, fields, roster, location, documentsKnown, limits, made, progress, newer, named, words, team, earlier);
    }

    /** Has the report written in another language. */
    public CheckRequest in(Words language) {
        return new CheckRequest(kit, fields, roster, location, documentsKnown, limits, made, progress, newer, machines, language, team, earlier);
    }

    /** Holds the location against those of the others of the team. */
    public CheckRequest teamed(List<TeamLocation> others) {
        return new CheckRequest(kit, fields, roster, location, documentsKnown, limits, made, progress, newer, machines, words, others, earlier);
    }

    /** Holds sealed folders against what an earlier hand-in had in them. */
    public CheckRequest after(List<SealedFile> handedInBefore) {
        return new CheckRequest(kit, fields, roster, location, documentsKnown, limits, made, progress, newer, machines, words, team, handedInBefore);
    }

    /** The machines the project has to open on. */
    List<Machine> destinations() {
        return machines.isEmpty() ? kit.map(plan -> plan.machines().stream().flatMap(name -> Machine.shipped(name).stream()).toList()).orElse(List.of()) : machines;
    }

    CheckRequest whose(RosterFields known) {
        return new CheckRequest(kit, known, roster, location, documentsKnown, limits, made, progress, newer, machines, words, team, earlier);
    }
}
