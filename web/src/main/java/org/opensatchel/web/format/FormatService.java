package org.opensatchel.web.format;

import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.opensatchel.base.hash.Sha256;
import org.opensatchel.base.json.JsonDocuments;
import org.opensatchel.core.kit.KitReader;
import org.opensatchel.formats.described.Profile;
import org.opensatchel.formats.described.ProfileReader;
import org.opensatchel.formats.described.ProfileWriter;
import org.opensatchel.web.account.AccountService;
import org.opensatchel.web.course.AssignmentView;
import org.opensatchel.web.course.NotAccessible;
import org.opensatchel.web.kit.KitEditor;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** The formats that a course's instructors described: kept version by version, used by its kits, shared with everybody here. */
@Service
public class FormatService {

    private static final int LONGEST_TITLE = 120;

    private final DocumentFormatRepository formats;
    private final FormatVersionRepository versions;
    private final KitEditor editor;
    private final AccountService accounts;
    private final Clock clock;

    FormatService(DocumentFormatRepository formats, FormatVersionRepository versions, KitEditor editor, AccountService accounts,
            Clock clock) {
        this.formats = formats;
        this.versions = versions;
        this.editor = editor;
        this.accounts = accounts;
        this.clock = clock;
    }

    /**
     * A format as a page lists it.
     *
     * @param files what its documents are called
     * @param used whether the plan uses it
     * @param outdated whether the plan uses an earlier version of it
     */
    public record FormatView(long id, String title, boolean shared, int version, List<String> files, int places, Instant keptAt,
            String keptBy, boolean used, boolean outdated) {}

    /** What a course may use, its own first, and what of it the plan uses. */
    @Transactional(readOnly = true)
    public List<FormatView> usable(AssignmentView assignment) {
        Map<String, String> used = inPlan(assignment);
        List<DocumentFormat> all = formats.usable(assignment.courseId());
        Map<Long, FormatVersion> newest = versions.newest(all.stream().map(DocumentFormat::id).toList()).stream()
                .collect(Collectors.toMap(FormatVersion::formatId, version -> version));
        List<FormatView> out = new ArrayList<>();
        Set<String> own = new HashSet<>();
        for (DocumentFormat format : all) {
            FormatVersion version = newest.get(format.id());
            boolean first = own.add(format.title());
            String there = used.get(format.title());
            boolean same = version.sha256().equals(there);
            boolean uses = there != null && (same || first);
            Profile profile = read(version);
            out.add(new FormatView(format.id(), format.title(), format.isShared(), version.version(), files(profile),
                    profile.kinds().stream().mapToInt(kind -> kind.slots().size()).sum(), version.keptAt(),
                    accounts.displayName(version.keptBy()), uses, uses && !same));
        }
        return out;
    }

    private static List<String> files(Profile profile) {
        return profile.kinds().stream().map(kind -> kind.files().substring(kind.files().lastIndexOf('/') + 1)).distinct().toList();
    }

    private static Profile read(FormatVersion version) {
        return ProfileReader.read(version.document()).profile()
                .orElseThrow(() -> new IllegalStateException("a kept format cannot be read: " + version.sha256()));
    }

    /** What the plan uses, by title and what it holds. */
    private Map<String, String> inPlan(AssignmentView assignment) {
        return KitReader.read(editor.plan(assignment).document()).kit().stream().flatMap(kit -> kit.links().profiles().stream())
                .collect(Collectors.toMap(Profile::title, ProfileWriter::sha256, (one, other) -> one));
    }

    /** Formats that only the plan has: they came with a kit from elsewhere. */
    @Transactional(readOnly = true)
    public List<String> onlyInPlan(AssignmentView assignment) {
        Set<String> kept = formats.usable(assignment.courseId()).stream().map(DocumentFormat::title).collect(Collectors.toSet());
        return inPlan(assignment).keySet().stream().filter(title -> !kept.contains(title)).sorted().toList();
    }

    /** Keeps a description for a course: as the next version of the format of that title, unless nothing changed. */
    @Transactional
    public long keep(AssignmentView assignment, Profile profile, long account) {
        return keep(assignment.courseId(), profile, account);
    }

    private long keep(Long course, Profile profile, long account) {
        DocumentFormat format = formats.titled(profile.title(), course)
                .orElseGet(() -> formats.save(new DocumentFormat(course, profile.title())));
        byte[] document = ProfileWriter.write(profile);
        String sha256 = Sha256.of(document);
        Optional<FormatVersion> last = versions.findFirstByFormatIdOrderByVersionDesc(format.id());
        if (last.filter(version -> version.sha256().equals(sha256)).isEmpty()) {
            versions.save(new FormatVersion(format.id(), last.map(FormatVersion::version).orElse(0) + 1, document, sha256, clock.instant(),
                    account));
        }
        return format.id();
    }

    /** A title as it is kept. */
    static String title(String typed) {
        String bare = typed.strip().replaceAll("\\s+", " ").replaceAll("\\p{Cntrl}", "");
        return bare.substring(0, bare.offsetByCodePoints(0, Math.min(LONGEST_TITLE, bare.codePointCount(0, bare.length()))));
    }

    /** Gives a course's format to everybody here. */
    @Transactional
    public void share(AssignmentView assignment, long format, long account) {
        keep((Long) null, newest(assignment, format), account);
    }

    /** The newest version of a format. */
    @Transactional(readOnly = true)
    public Profile newest(AssignmentView assignment, long format) {
        return formats.usable(format, assignment.courseId()).flatMap(one -> versions.findFirstByFormatIdOrderByVersionDesc(one.id()))
                .map(FormatService::read).orElseThrow(NotAccessible::new);
    }

    /** Puts a format's newest version into the plan, in place of another version of it; false when somebody else saved the plan just now. */
    @Transactional
    public boolean use(AssignmentView assignment, long format, long account) {
        Profile profile = newest(assignment, format);
        return change(assignment, profile.title(), Optional.of(profile), account);
    }

    /** Takes a format out of the plan. */
    @Transactional
    public boolean leaveOut(AssignmentView assignment, String title, long account) {
        return change(assignment, title, Optional.empty(), account);
    }

    private boolean change(AssignmentView assignment, String title, Optional<Profile> instead, long account) {
        KitEditor.Plan plan = editor.plan(assignment);
        if (!(JsonDocuments.MAPPER.readTree(plan.document()) instanceof ObjectNode document)) {
            return false;
        }
        ObjectNode links = document.path("links") instanceof ObjectNode there ? there : document.putObject("links");
        ArrayNode before = links.path("profiles") instanceof ArrayNode there ? there : JsonDocuments.MAPPER.createArrayNode();
        ArrayNode after = JsonDocuments.MAPPER.createArrayNode();
        for (JsonNode one : before) {
            if (!one.path("title").asString("").equals(title)) {
                after.add(one);
            }
        }
        instead.ifPresent(profile -> after.add(ProfileWriter.document(profile)));
        links.set("profiles", after);
        return editor.save(assignment, JsonDocuments.MAPPER.writerWithDefaultPrettyPrinter().writeValueAsBytes(document), plan.revision(),
                account).saved();
    }
}
