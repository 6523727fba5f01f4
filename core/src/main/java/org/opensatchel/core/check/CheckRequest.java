package org.opensatchel.core.check;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import java.util.stream.Stream;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.location.Machine;
import org.opensatchel.core.location.ProjectLocation;
import org.opensatchel.core.location.TeamLocation;
import org.opensatchel.core.naming.RosterFields;
import org.opensatchel.core.project.ProjectTree;
import org.opensatchel.core.project.ReadLimits;
import org.opensatchel.core.project.SealedFile;
import org.opensatchel.core.scan.ContentScan.ScanProgress;
import org.opensatchel.core.words.Words;
import org.opensatchel.formats.described.Profile;

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
 * @param elsewhere where it lies on other computers of the same student
 * @param earlier the files of sealed folders as an earlier hand-in had them
 * @param team where the others of the team say the project lies
 * @param confirmed which of the kit's steps the student confirmed, by their keys; empty where that is not known
 * @param more profiles of programs' documents beside those of the kit; those named first come first
 * @param formats is told what read which document
 * @param files gets all files of the project, once it is known what they are
 */
public record CheckRequest(Optional<Kit> kit, RosterFields fields, List<RosterFields> roster, Optional<ProjectLocation> location,
        boolean documentsKnown,
        ReadLimits limits, Instant made, ScanProgress progress, Optional<Kit> newer, List<Machine> machines, Words words,
        List<TeamLocation> team, List<SealedFile> earlier, List<ProjectLocation> elsewhere, Optional<Set<String>> confirmed,
        List<Profile> more, FormatListener formats, Consumer<ProjectTree> files) {

    /** Is told of each file of a project as what it was read. */
    public interface FormatListener {
        /** @param format what read it; empty where nothing did */
        void read(ProjectPath path, Optional<String> format);
    }

    public static CheckRequest of(Optional<Kit> kit, RosterFields fields) {
        return new CheckRequest(kit, fields, List.of(), Optional.empty(), true, ReadLimits.DEFAULT, Instant.now(), (files, bytes) -> {},
                Optional.empty(), List.of(), Words.ENGLISH, List.of(), List.of(), List.of(), Optional.empty(), List.of(),
                (path, format) -> {}, tree -> {});
    }

    public CheckRequest at(Instant time) {
        return with(parts -> parts.made = time);
    }

    public CheckRequest located(Optional<ProjectLocation> where) {
        return with(parts -> parts.location = where);
    }

    public CheckRequest within(ReadLimits bounds) {
        return with(parts -> parts.limits = bounds);
    }

    public CheckRequest amongst(List<RosterFields> everybody) {
        return with(parts -> parts.roster = everybody);
    }

    public CheckRequest withDocuments(boolean known) {
        return with(parts -> parts.documentsKnown = known);
    }

    public CheckRequest telling(ScanProgress listener) {
        return with(parts -> parts.progress = listener);
    }

    public CheckRequest before(Optional<Kit> later) {
        return with(parts -> parts.newer = later);
    }

    /** Carries the project to these machines instead of the kit's. */
    public CheckRequest carriedTo(List<Machine> named) {
        return with(parts -> parts.machines = named);
    }

    /** Has the report written in another language. */
    public CheckRequest in(Words language) {
        return with(parts -> parts.words = language);
    }

    /** Holds the location against those of the others of the team. */
    public CheckRequest teamed(List<TeamLocation> others) {
        return with(parts -> parts.team = others);
    }

    /** Where the project lies on other computers of the same student; links may be made on each. */
    public CheckRequest alsoLocated(List<ProjectLocation> places) {
        return with(parts -> parts.elsewhere = places);
    }

    /** Everywhere it is said to lie, the place that was named first before the others. */
    List<ProjectLocation> places() {
        return Stream.concat(location.stream(), elsewhere.stream()).toList();
    }

    /** Holds sealed folders against what an earlier hand-in had in them. */
    public CheckRequest after(List<SealedFile> handedInBefore) {
        return with(parts -> parts.earlier = handedInBefore);
    }

    /** Which of the kit's steps the student confirmed, by their keys. */
    public CheckRequest confirmed(Set<String> steps) {
        return with(parts -> parts.confirmed = Optional.of(steps));
    }

    /** Reads documents by these profiles too, before those of the kit. */
    public CheckRequest described(List<Profile> profiles) {
        return with(parts -> parts.more = profiles);
    }

    /** Tells what read which document. */
    public CheckRequest hearing(FormatListener listener) {
        return with(parts -> parts.formats = listener);
    }

    /** Hands over all files of the project. */
    public CheckRequest keeping(Consumer<ProjectTree> listener) {
        return with(parts -> parts.files = listener);
    }

    /** Every profile that documents are read by. */
    List<Profile> profiles() {
        return Stream.concat(more.stream(), kit.stream().flatMap(plan -> plan.links().profiles().stream())).toList();
    }

    /** The machines the project has to open on. */
    List<Machine> destinations() {
        return machines.isEmpty()
                ? kit.map(plan -> plan.machines().stream().flatMap(name -> Machine.shipped(name).stream()).toList()).orElse(List.of())
                : machines;
    }

    CheckRequest whose(RosterFields known) {
        return with(parts -> parts.fields = known);
    }

    private CheckRequest with(Consumer<Parts> change) {
        Parts parts = new Parts(this);
        change.accept(parts);
        return parts.request();
    }

    /** The same again, open to one change. */
    private static final class Parts {
        private Optional<Kit> kit;
        private RosterFields fields;
        private List<RosterFields> roster;
        private Optional<ProjectLocation> location;
        private boolean documentsKnown;
        private ReadLimits limits;
        private Instant made;
        private ScanProgress progress;
        private Optional<Kit> newer;
        private List<Machine> machines;
        private Words words;
        private List<TeamLocation> team;
        private List<SealedFile> earlier;
        private List<ProjectLocation> elsewhere;
        private Optional<Set<String>> confirmed;
        private List<Profile> more;
        private FormatListener formats;
        private Consumer<ProjectTree> files;

        Parts(CheckRequest from) {
            this.kit = from.kit;
            this.fields = from.fields;
            this.roster = from.roster;
            this.location = from.location;
            this.documentsKnown = from.documentsKnown;
            this.limits = from.limits;
            this.made = from.made;
            this.progress = from.progress;
            this.newer = from.newer;
            this.machines = from.machines;
            this.words = from.words;
            this.team = from.team;
            this.earlier = from.earlier;
            this.elsewhere = from.elsewhere;
            this.confirmed = from.confirmed;
            this.more = from.more;
            this.formats = from.formats;
            this.files = from.files;
        }

        CheckRequest request() {
            return new CheckRequest(kit, fields, roster, location, documentsKnown, limits, made, progress, newer, machines, words, team,
                    earlier, elsewhere, confirmed, more, formats, files);
        }
    }
}
