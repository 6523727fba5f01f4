package org.opensatchel.web.kit;

import static org.opensatchel.base.fact.FactName.NEWER;
import static org.opensatchel.base.fact.FactName.VERSION;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Clock;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.hash.Sha256;
import org.opensatchel.base.json.JsonFault;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.kit.KitReader;
import org.opensatchel.core.kit.KitReading;
import org.opensatchel.core.kit.KitWriter;
import org.opensatchel.web.course.AssignmentView;
import org.opensatchel.web.course.NotAccessible;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.data.domain.Page;
import org.springframework.data.domain.Pageable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;

/** The kits of assignments: which version is current, and how the next one is published. */
@Service
public class KitService {

    private static final int MOST_READ = 500;

    private final KitVersionRepository versions;
    private final KitRows rows;
    private final Clock clock;
    private final TransactionTemplate transaction;
    private final Cache<Long, PublishedKit> read = Caffeine.newBuilder().maximumSize(MOST_READ).build();

    KitService(KitVersionRepository versions, KitRows rows, Clock clock, PlatformTransactionManager transactions) {
        this.versions = versions;
        this.rows = rows;
        this.clock = clock;
        this.transaction = new TransactionTemplate(transactions);
    }

    /** What came of publishing: the version, or why there is none. */
    public record Publishing(Optional<PublishedKit> published, List<JsonFault> faults) {}

    /** The newest version of an assignment's kit. */
    @Transactional(readOnly = true)
    public Optional<PublishedKit> current(AssignmentView assignment) {
        return versions.newest(assignment.id()).map(this::version);
    }

    /** One page of the versions, the newest first. */
    @Transactional(readOnly = true)
    public Page<PublishedKit> all(AssignmentView assignment, Pageable page) {
        return versions.ids(assignment.id(), page).map(this::version);
    }

    /** The version with a number. */
    @Transactional(readOnly = true)
    public Optional<PublishedKit> numbered(AssignmentView assignment, int number) {
        return versions.numbered(assignment.id(), number).map(this::version);
    }

    /** How many students hold each version. */
    @Transactional(readOnly = true)
    public Map<Integer, Integer> holders(AssignmentView assignment) {
        return rows.holders(assignment.id());
    }

    /** One version. It never changes, so it is read once. */
    @Transactional(readOnly = true)
    public PublishedKit version(long id) {
        return read.get(id, unknown -> versions.findById(id).map(KitService::read).orElseThrow(NotAccessible::new));
    }

    /**
     * Publishes the next version, if the kit can be read again as it would be written.
     *
     * @param basedOn the version it was made from, 0 for none; another one published meanwhile is a fault, so that nothing is lost
     */
    public Publishing publish(AssignmentView assignment, Kit kit, int basedOn, long accountId) {
        try {
            // The other one is seen when this one is committed: outside of what is taken back then.
            return transaction.execute(status -> published(assignment, kit, basedOn, accountId));
        } catch (DataIntegrityViolationException meanwhile) {
            return new Publishing(Optional.empty(), List.of(new JsonFault("", PublishWording.SAME_MOMENT.say())));
        }
    }

    private Publishing published(AssignmentView assignment, Kit kit, int basedOn, long accountId) {
        int latest = versions.newestVersion(assignment.id()).orElse(0);
        if (latest != basedOn) {
            return new Publishing(Optional.empty(),
                    List.of(new JsonFault("", PublishWording.MEANWHILE.say(Facts.of(NEWER, latest).and(VERSION, basedOn)))));
        }
        byte[] document = KitWriter.write(kit.withVersion(latest + 1));
        KitReading reading = KitReader.read(document);
        if (reading.kit().isEmpty()) {
            return new Publishing(Optional.empty(), reading.faults());
        }
        KitVersion saved = versions
                .saveAndFlush(new KitVersion(assignment.id(), latest + 1, document, Sha256.of(document), clock.instant(), accountId));
        return new Publishing(Optional.of(read(saved)), List.of());
    }

    private static PublishedKit read(KitVersion version) {
        Kit kit = KitReader.readPublished(version.document()).kit()
                .orElseThrow(() -> new IllegalStateException("published kit " + version.id() + " cannot be read"));
        return new PublishedKit(version.id(), kit, version.sha256(), version.publishedAt());
    }
}
