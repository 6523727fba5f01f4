package org.opensatchel.web.kit;

import static org.opensatchel.core.fact.FactName.NEWER;
import static org.opensatchel.core.fact.FactName.VERSION;

import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.Clock;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.opensatchel.core.fact.Facts;
import org.opensatchel.core.json.JsonFault;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.kit.KitReader;
import org.opensatchel.core.kit.KitReading;
import org.opensatchel.core.kit.KitWriter;
import org.opensatchel.web.course.AssignmentView;
import org.opensatchel.web.course.NotYours;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The kits of assignments: which version is current, and how the next one is published. */
@Service
public class KitService {

    private final KitVersionRepository versions;
    private final Clock clock;

    KitService(KitVersionRepository versions, Clock clock) {
        this.versions = versions;
        this.clock = clock;
    }

    /** What came of publishing: the version, or why there is none. */
    public record Publishing(Optional<PublishedKit> published, List<JsonFault> faults) {
    }

    /** The newest version of an assignment's kit. */
    @Transactional(readOnly = true)
    public Optional<PublishedKit> current(AssignmentView assignment) {
        return versions.findFirstByAssignmentIdOrderByVersionDesc(assignment.id()).map(KitService::read);
    }

    /** Every version, the newest first. */
    @Transactional(readOnly = true)
    public List<PublishedKit> all(AssignmentView assignment) {
        return versions.findByAssignmentIdOrderByVersionDesc(assignment.id()).stream().map(KitService::read).toList();
    }

    /** The contents that starter files of plans and versions own. */
    @Transactional(readOnly = true)
    public List<String> contents() {
        return versions.contents();
    }

    /** How many students hold each version. */
    @Transactional(readOnly = true)
    public Map<Integer, Integer> holders(AssignmentView assignment) {
        return versions.holders(assignment.id()).stream().collect(Collectors.toMap(KitVersionRepository.Holders::getVersion, KitVersionRepository.Holders::getHolders));
    }

    @Transactional(readOnly = true)
    public PublishedKit version(long id) {
        return versions.findById(id).map(KitService::read).orElseThrow(NotYours::new);
    }

    /**
     * Publishes the next version, if the kit can be read again as it would be written.
     *
     * @param basedOn the version it was made from, 0 for none; another one published meanwhile is a fault, so that nothing is lost
     */
    @Transactional
    public Publishing publish(AssignmentView assignment, Kit kit, int basedOn, long accountId) {
        int latest = versions.findFirstByAssignmentIdOrderByVersionDesc(assignment.id()).map(KitVersion::version).orElse(0);
        if (latest != basedOn) {
            return new Publishing(Optional.empty(), List.of(new JsonFault("", PublishWording.MEANWHILE.say(Facts.of(NEWER, latest).and(VERSION, basedOn)))));
        }
        byte[] document = KitWriter.write(kit.withVersion(latest + 1));
        KitReading reading = KitReader.read(document);
        if (reading.kit().isEmpty()) {
            return new Publishing(Optional.empty(), reading.faults());
        }
        try {
            KitVersion saved = versions.saveAndFlush(new KitVersion(assignment.id(), latest + 1, document, sha256(document), clock.instant(), accountId));
            return new Publishing(Optional.of(read(saved)), List.of());
        } catch (DataIntegrityViolationException meanwhile) {
            return new Publishing(Optional.empty(), List.of(new JsonFault("", PublishWording.SAME_MOMENT.say())));
        }
    }

    private static PublishedKit read(KitVersion version) {
        Kit kit = KitReader.readPublished(version.document()).kit().orElseThrow(() -> new IllegalStateException("published kit " + version.id() + " cannot be read"));
        return new PublishedKit(version.id(), kit, version.sha256(), version.publishedAt());
    }

    private static String sha256(byte[] document) {
        try {
            return HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(document));
        } catch (NoSuchAlgorithmException impossible) {
            throw new IllegalStateException("every Java has SHA-256", impossible);
        }
    }
}
