package org.opensatchel.web.download;

import jakarta.persistence.EntityManager;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.time.Clock;
import java.time.Instant;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.hibernate.Session;
import org.opensatchel.core.naming.FileNameForm;
import org.opensatchel.core.pack.ProjectCopy;
import org.opensatchel.core.pack.ZipWriter;
import org.opensatchel.web.audit.AuditService;
import org.opensatchel.web.audit.Deed;
import org.opensatchel.web.course.AssignmentView;
import org.opensatchel.web.course.Student;
import org.opensatchel.web.handin.HandInProject;
import org.opensatchel.web.handin.HandInService.Shown;
import org.opensatchel.web.handout.HandoutService;
import org.opensatchel.web.kit.KitService;
import org.opensatchel.web.kit.PublishedKit;
import org.opensatchel.web.storage.SatchelProperties;
import org.opensatchel.web.text.Speech;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Hand-ins on their way to whoever grades them: all under the names their roots should have, and ticked off when done. */
@Service
public class DownloadService {

    private final HandInProject projects;
    private final HandoutService handouts;
    private final KitService kits;
    private final AuditService audit;
    private final SatchelProperties properties;
    private final EntityManager database;
    private final Clock clock;

    DownloadService(HandInProject projects, HandoutService handouts, KitService kits, AuditService audit, SatchelProperties properties,
            EntityManager database, Clock clock) {
        this.projects = projects;
        this.handouts = handouts;
        this.kits = kits;
        this.audit = audit;
        this.properties = properties;
        this.database = database;
        this.clock = clock;
    }

    /** Writes projects as one archive, each under its root's name; what could not come along is named in a note inside. */
    public void write(AssignmentView assignment, List<Shown> handIns, long by, OutputStream to) throws IOException {
        Optional<PublishedKit> current = kits.current(assignment);
        Set<String> names = new HashSet<>();
        StringBuilder note = new StringBuilder();
        try (ZipWriter out = new ZipWriter(to, false)) {
            for (Shown shown : handIns) {
                Student student = shown.place().student();
                String root = name(assignment, student, current, names);
                try (HandInProject.Opened opened = projects.open(shown)) {
                    ProjectCopy.Copied copied = new ProjectCopy(properties.limits().read()).copy(opened.source(),
                            current.map(PublishedKit::kit),
                            student.fields(assignment), root, out);
                    if (!copied.readable()) {
                        unread(root, shown, opened, out);
                        note.append(student.listed()).append(": ").append(Speech.say("download.unreadable")).append("\r\n");
                    }
                    copied.left().forEach(
                            path -> note.append(student.listed()).append(": ").append(Speech.say("download.left", path)).append("\r\n"));
                }
            }
            if (!note.isEmpty()) {
                out.file("NOT-COPIED.txt", note.toString().getBytes(StandardCharsets.UTF_8));
            }
        }
        handIns.forEach(shown -> downloaded(shown, by));
    }

    private static void unread(String root, Shown shown, HandInProject.Opened opened, ZipWriter out) throws IOException {
        String ending = shown.handIn().fileName().replaceFirst("^.*?(\\.[A-Za-z0-9]{1,8})?$", "$1");
        try (InputStream content = Files.newInputStream(opened.stored().path())) {
            out.file(root + "/" + FileNameForm.of(shown.place().student().last(), true) + (ending.isEmpty() ? ".bin" : ending),
                    content::transferTo);
        }
    }

    public void downloaded(Shown shown, long by) {
        audit.log(by, new AuditService.About(shown.place().assignment().id(), shown.handIn().enrolmentId(), shown.handIn().id()),
                Deed.DOWNLOADED,
                shown.handIn().fileName());
    }

    /** The name a student's root should have; two of one name are told apart by their numbers. */
    private String name(AssignmentView assignment, Student student, Optional<PublishedKit> kit, Set<String> taken) {
        String plain = kit.flatMap(one -> handouts.rootName(one, assignment, student))
                .orElseGet(() -> FileNameForm.of(student.last() + "_" + student.first(), false));
        String name = plain.isEmpty() ? "student_" + student.enrolmentId() : plain;
        return taken.add(name) ? name
                : name + "_" + (student.number().isEmpty() ? student.enrolmentId() : FileNameForm.of(student.number(), false));
    }

    /** Which hand-ins of an assignment somebody has downloaded. */
    @Transactional(readOnly = true)
    public Set<Long> downloadedBy(AssignmentView assignment, long account) {
        return ids(
                "select distinct hand_in_id from audit where assignment_id = :assignment and account_id = :account and what = 'DOWNLOADED' and hand_in_id is not null",
                assignment, account);
    }

    /** Which hand-ins of an assignment are graded. */
    @Transactional(readOnly = true)
    public Set<Long> graded(AssignmentView assignment) {
        return ids(
                "select g.hand_in_id from graded g join hand_in h on h.id = g.hand_in_id where h.assignment_id = :assignment and :account = :account",
                assignment, 0);
    }

    private Set<Long> ids(String question, AssignmentView assignment, long account) {
        return database.unwrap(Session.class).createNativeQuery(question, Long.class).setParameter("assignment", assignment.id())
                .setParameter("account", account).list().stream().collect(Collectors.toSet());
    }

    /** Ticks a hand-in off, or not. */
    @Transactional
    public void grade(Shown shown, boolean graded, long by) {
        Instant now = clock.instant();
        Session session = database.unwrap(Session.class);
        if (graded) {
            session.createNativeMutationQuery(
                    "insert into graded (hand_in_id, graded_by, graded_at) values (:handIn, :by, :now) on conflict do nothing")
                    .setParameter("handIn", shown.handIn().id()).setParameter("by", by).setParameter("now", now).executeUpdate();
            audit.log(by, new AuditService.About(shown.place().assignment().id(), shown.handIn().enrolmentId(), shown.handIn().id()),
                    Deed.GRADED, "");
        } else {
            session.createNativeMutationQuery("delete from graded where hand_in_id = :handIn").setParameter("handIn", shown.handIn().id())
                    .executeUpdate();
        }
    }
}
