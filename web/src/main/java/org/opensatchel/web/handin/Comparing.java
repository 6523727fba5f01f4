package org.opensatchel.web.handin;

import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Semaphore;
import org.opensatchel.core.compare.LinkDifference;
import org.opensatchel.core.compare.ProjectDifference.Kind;
import org.opensatchel.core.compare.ProjectDifference;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.naming.RosterFields;
import org.opensatchel.core.project.HashedSource.ByHash;
import org.opensatchel.core.project.Intake;
import org.opensatchel.core.project.ProjectFile;
import org.opensatchel.core.project.ProjectSource;
import org.opensatchel.core.project.ReadLimits;
import org.opensatchel.core.project.RootFinder;
import org.opensatchel.core.project.SourceListing;
import org.opensatchel.core.project.TreeBuilder;
import org.opensatchel.core.report.Since;
import org.opensatchel.web.handin.HandInService.Shown;
import org.opensatchel.web.kit.KitService;
import org.opensatchel.web.storage.Contents;
import org.opensatchel.web.storage.LocalFile;
import org.opensatchel.web.storage.SatchelProperties;
import org.opensatchel.worker.WorkOrder;
import org.springframework.stereotype.Component;

/** What became of a project from one time it was sent to another. Only lists of files are read here, one pair at a time. */
@Component
class Comparing {

    /** Of each kind so many are shown. */
    static final int MOST = 200;

    /** Files are told apart by what their list says. */
    private static final ByHash NOT_READ = hash -> InputStream.nullInputStream();

    private final HandInRepository handIns;
    private final HandInService service;
    private final KitService kits;
    private final Contents contents;
    private final ReadLimits limits;
    private final Semaphore reading = new Semaphore(1);

    Comparing(HandInRepository handIns, HandInService service, KitService kits, Contents contents, SatchelProperties properties) {
        this.handIns = handIns;
        this.service = service;
        this.kits = kits;
        this.contents = contents;
        this.limits = properties.limits().read();
    }

    /** Some of the files of one kind. */
    record Files(Kind kind, long count, List<ProjectDifference.Change> some) {}

    /**
     * @param files the files that are not as they were, by kind; empty when nothing is
     * @param unchanged how many files are as they were
     * @param byContent whether contents could be compared
     * @param links how many links are new, gone or lead elsewhere
     * @param someLinks some of them
     * @param since what became of the findings
     */
    record Comparison(List<Files> files, int unchanged, boolean byContent, int links, List<LinkDifference.Change> someLinks, Since since) {}

    Comparison between(Shown before, Shown now) throws IOException {
        reading.acquireUninterruptibly();
        try {
            ProjectDifference files = ProjectDifference.between(files(before), files(now));
            LinkDifference links = LinkDifference.between(service.report(before).links(), service.report(now).links());
            return new Comparison(
                    Arrays.stream(Kind.values()).filter(kind -> files.count(kind) > 0)
                            .map(kind -> new Files(kind, files.count(kind),
                                    files.changes().stream().filter(change -> change.kind() == kind).limit(MOST).toList()))
                            .toList(),
                    files.unchanged(), files.byContent(), links.changes().size(), links.changes().stream().limit(MOST).toList(),
                    Since.between(service.digest(before).head().findings(), service.digest(now).head().findings()));
        } finally {
            reading.release();
        }
    }

    private List<ProjectFile> files(Shown shown) throws IOException {
        HandInRepository.Claimed handIn = handIns.claimed(shown.handIn().id());
        Optional<Kit> kit = Optional.of(kits.version(handIn.getKitVersionId()).kit());
        RosterFields fields = shown.place().student().fields(shown.place().assignment());
        try (LocalFile stored = contents.local(handIn.getSha256());
                ProjectSource source = WorkOrder.Form.valueOf(handIn.getForm()).open(stored.path(), NOT_READ)) {
            if (!(source.list(limits) instanceof Intake.Opened opened)) {
                return List.of();
            }
            SourceListing listing = opened.listing();
            return new ArrayList<>(new TreeBuilder(source, kit, fields, limits).build(listing, new RootFinder(kit, fields).find(listing))
                    .tree().files());
        }
    }
}
