package org.opensatchel.worker;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.time.Instant;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.opensatchel.base.json.JsonDocuments;
import org.opensatchel.core.check.CheckRequest;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.kit.KitReader;
import org.opensatchel.core.location.Machine;
import org.opensatchel.core.location.OperatingSystem;
import org.opensatchel.core.location.ProjectLocation;
import org.opensatchel.core.location.StorageKind;
import org.opensatchel.core.location.TeamLocation;
import org.opensatchel.core.naming.RosterField;
import org.opensatchel.core.naming.RosterFields;
import org.opensatchel.core.project.FolderSource;
import org.opensatchel.core.project.HashedSource;
import org.opensatchel.core.project.HashedSource.ByHash;
import org.opensatchel.core.project.ListingSource;
import org.opensatchel.core.project.ProjectSource;
import org.opensatchel.core.project.ReadLimits;
import org.opensatchel.core.project.ZipSource;
import org.opensatchel.core.report.Report.SealedLine;

/**
 * What a worker is to check, as it goes over its standard input. Nothing of it ever stands on a command line, since names
 * in it are whatever people are called.
 *
 * @param archive where the archive, the list or the folder lies
 * @param contents where the file lies that says where each content is, as {@link HeldContents} reads it; empty unless it is a folder
 * @param form what the archive holds
 * @param kit the kit document it is held against
 * @param newer a later version of the kit, if there is one
 * @param fields whose project it is
 * @param roster everybody's fields
 * @param places where it is said to lie, on each computer
 * @param team where the others of the team say it lies
 * @param earlier the files of sealed folders as the student's hand-in before had them
 * @param confirmed the keys of the kit's steps that the student confirmed
 * @param machines names of shipped machines it is carried to
 * @param threads on how many threads
 * @param made the time to put on the report
 */
public record WorkOrder(String archive, String contents, Form form, String kit, Optional<String> newer, Map<RosterField, String> fields,
        List<Map<RosterField, String>> roster, List<Location> places,
        List<TeamLocation> team, List<SealedLine> earlier, Set<String> confirmed, List<String> machines, ReadLimits limits, int threads,
        Instant made) {

    /** A project itself, a packet of its list and its documents, the list of a folder whose contents lie elsewhere, or a folder as it lies. */
    public enum Form {
        ZIP, LISTING, FOLDER, PLACE;

        /**
         * The project, to be closed.
         *
         * @param archive the archive, the packet or the list
         * @param contents where a folder's contents are
         */
        public ProjectSource open(Path archive, ByHash contents) throws IOException {
            return switch (this) {
                case ZIP -> ZipSource.open(archive);
                case LISTING -> ListingSource.packet(archive);
                case FOLDER -> new HashedSource(archive, contents);
                case PLACE -> new FolderSource(archive);
            };
        }
    }

    /** Where a project is said to lie. */
    public record Location(Optional<OperatingSystem> system, Optional<StorageKind> storage, String path) {
        ProjectLocation declared() {
            return new ProjectLocation(system, storage, path);
        }
    }

    byte[] bytes() {
        return JsonDocuments.MAPPER.writeValueAsBytes(this);
    }

    static WorkOrder read(byte[] json) {
        return JsonDocuments.MAPPER.readValue(json, WorkOrder.class);
    }

    /** The same with half the threads, for a check that took more than there is. */
    WorkOrder halved() {
        return new WorkOrder(archive, contents, form, kit, newer, fields, roster, places, team, earlier, confirmed, machines, limits,
                Math.max(1, threads / 2),
                made);
    }

    CheckRequest request() throws IOException {
        RosterFields whose = fields(fields);
        return CheckRequest.of(Optional.of(kit(kit)), whose).amongst(roster.stream().map(WorkOrder::fields).toList())
                .located(places.stream().findFirst().map(Location::declared))
                .alsoLocated(places.stream().skip(1).map(Location::declared).toList())
                .carriedTo(machines.stream().flatMap(name -> Machine.shipped(name).stream()).toList()).within(limits).at(made)
                .teamed(team).confirmed(confirmed).after(earlier.stream().map(SealedLine::file).toList())
                .before(newer.isPresent() ? Optional.of(kit(newer.get())) : Optional.empty());
    }

    static RosterFields fields(Map<RosterField, String> values) {
        return new RosterFields(values.isEmpty() ? Map.of() : new EnumMap<>(values));
    }

    /** The kit that goes over, if one does. */
    static Optional<Kit> kitIn(String document) throws IOException {
        return document.isEmpty() ? Optional.empty() : Optional.of(kit(document));
    }

    private static Kit kit(String document) throws IOException {
        return KitReader.readPublished(document.getBytes(StandardCharsets.UTF_8)).kit()
                .orElseThrow(() -> new IOException("the kit of this order cannot be read"));
    }
}
