package org.opensatchel.web.demo;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.opensatchel.base.json.JsonDocuments;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.kit.KitReader;
import org.opensatchel.core.kit.Marker;
import org.opensatchel.core.location.OperatingSystem;
import org.opensatchel.core.location.ProjectLocation;
import org.opensatchel.core.location.StorageKind;
import org.opensatchel.core.naming.FileNameForm;
import org.opensatchel.core.pack.Handout;
import org.opensatchel.web.account.AccountService;
import org.opensatchel.web.account.Role;
import org.opensatchel.web.course.AssignmentView;
import org.opensatchel.web.course.CourseService;
import org.opensatchel.web.course.CourseService.Membership;
import org.opensatchel.web.course.Student;
import org.opensatchel.web.drive.Bay;
import org.opensatchel.web.handout.HandoutService;
import org.opensatchel.web.handout.StepService;
import org.opensatchel.web.kit.KitService;
import org.opensatchel.web.kit.PublishedKit;
import org.opensatchel.web.location.LocationService;
import org.opensatchel.web.storage.ContentStore;
import org.opensatchel.web.storage.Contents;
import org.opensatchel.web.storage.Purpose;
import org.opensatchel.web.storage.SatchelProperties;
import org.opensatchel.web.text.Speech;
import org.opensatchel.web.upload.HandInReceiver;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.core.io.ClassPathResource;
import org.springframework.stereotype.Component;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;
import tools.jackson.databind.node.ObjectNode;

/** Fills an empty database with a school, so that every page has something true to show. All of it or none of it. */
@Component
class DemoData implements ApplicationRunner {

    static final String PASSWORD = "market-bell";
    private static final Logger LOG = LoggerFactory.getLogger(DemoData.class);

    private final AccountService accounts;
    private final CourseService courses;
    private final KitService kits;
    private final HandoutService handouts;
    private final StepService steps;
    private final LocationService locations;
    private final HandInReceiver receiver;
    private final Bay bay;
    private final ContentStore store;
    private final Contents contents;
    private final SatchelProperties properties;
    private final Clock clock;
    private final TransactionTemplate whole;

    DemoData(AccountService accounts, CourseService courses, KitService kits, HandoutService handouts, StepService steps,
            LocationService locations,
            HandInReceiver receiver, Bay bay, ContentStore store, Contents contents,
            SatchelProperties properties, Clock clock, PlatformTransactionManager transactions) {
        this.accounts = accounts;
        this.courses = courses;
        this.kits = kits;
        this.handouts = handouts;
        this.steps = steps;
        this.locations = locations;
        this.receiver = receiver;
        this.bay = bay;
        this.store = store;
        this.contents = contents;
        this.properties = properties;
        this.clock = clock;
        this.whole = new TransactionTemplate(transactions);
    }

    @Override
    public void run(ApplicationArguments arguments) {
        if (properties.demo() && accounts.isEmpty()) {
            whole.executeWithoutResult(status -> load());
            LOG.info("the demo data is loaded");
        }
    }

    private void load() {
        Instant now = clock.instant();
        long instructor = accounts.create("quillfeather", "R. Quillfeather", PASSWORD, Role.INSTRUCTOR);
        List<Long> students = new ArrayList<>();
        for (DemoRoster.Person person : DemoRoster.PEOPLE) {
            long account = accounts.create(person.login(), (person.first().orElse("") + " " + person.last()).strip(), PASSWORD,
                    Role.STUDENT);
            accounts.address(account, person.login() + "@harrowgate.example");
            students.add(account);
        }
        AssignmentView market = course(instructor, students, "MOV 120", "Short Forms", "A2", "Night Market Ident",
                now.plus(Duration.ofDays(3)), 24);
        PublishedKit kit = publish(market, instructor, "night-market", Map.of("sound/market-bell.wav", DemoProject.bell()));
        AssignmentView kettle = course(instructor, students, "OBJ 210", "Objects in the Round", "A1", "Kettle Turntable",
                now.plus(Duration.ofDays(10)), 12);
        publish(kettle, instructor, "kettle-turntable", Map.of("surfaces/grid.png", DemoMedia.png(3, 64, 64)));
        AssignmentView signs = course(instructor, students, "VIS 130", "Signs and Systems", "A3", "Wayfinding Set",
                now.plus(Duration.ofDays(17)), 10);
        publish(signs, instructor, "wayfinding-set",
                Map.of("web/palette.css", ":root { --way: #1f5a44; --stop: #922a20; }\n".getBytes(StandardCharsets.UTF_8)));
        people(market, kit, students, now);
    }

    private AssignmentView course(long instructor, List<Long> students, String code, String title, String assignment, String name,
            Instant due, int enrolled) {
        long course = courses.createCourse(code, title, "", instructor);
        for (int i = 0; i < enrolled; i++) {
            DemoRoster.Person person = DemoRoster.PEOPLE.get(i);
            courses.enrol(course, students.get(i), person.last(), person.first(), "26" + (1_000 + i * 37), i % 2 == 0 ? "1" : "2");
        }
        return courses.forInstructor(courses.createAssignment(course, assignment, name, due), instructor);
    }

    private PublishedKit publish(AssignmentView assignment, long instructor, String name, Map<String, byte[]> starters) {
        try {
            ObjectNode document = (ObjectNode) JsonDocuments.MAPPER
                    .readTree(new ClassPathResource("demo/" + name + ".kit.json").getContentAsByteArray());
            for (var starter : document.get("starter")) {
                byte[] content = starters.get(starter.get("path").asString());
                ContentStore.Stored stored = stored(content);
                contents.own(stored, Purpose.STARTER, assignment.courseId(), instructor);
                ((ObjectNode) starter).put("sha256", stored.sha256()).put("bytes", content.length);
            }
            Kit kit = KitReader.read(JsonDocuments.MAPPER.writeValueAsBytes(document)).kit().orElseThrow();
            return kits.publish(assignment, kit, 0, instructor).published().orElseThrow();
        } catch (IOException missing) {
            throw new IllegalStateException("the demo kit " + name + " is not in the application", missing);
        }
    }

    private void people(AssignmentView market, PublishedKit kit, List<Long> students, Instant now) {
        Set<Integer> handing = DemoHandIns.all().stream().map(DemoHandIns.Planted::student).collect(Collectors.toSet());
        for (int i = 0; i < students.size(); i++) {
            Membership place = courses.forStudent(market.id(), students.get(i));
            if (handouts.rootName(kit, market, place.student()).isPresent() && i != 23) {
                handouts.collected(kit, place.student().enrolmentId(), now.minus(Duration.ofHours(100 - i)));
                // Who handed in did what is to be done once; the others have not said so yet.
                if (handing.contains(i)) {
                    kit.kit().steps().forEach(step -> steps.confirm(place, step, true));
                }
            }
        }
        bring(market, kit, students);
        handIn(market, kit, students, DemoHandIns.firstTry(), now.minus(Duration.ofHours(50)), false);
        List<DemoHandIns.Planted> all = DemoHandIns.all();
        for (int i = 0; i < all.size(); i++) {
            handIn(market, kit, students, all.get(i), now.minus(Duration.ofMinutes(47L * (all.size() - i))), true);
        }
    }

    /** Two who did not hand in bring their drives; one of them has a sound that stayed at home. */
    private void bring(AssignmentView market, PublishedKit kit, List<Long> students) {
        for (int i = 0; i < DemoRoster.PEOPLE.size(); i++) {
            String login = DemoRoster.PEOPLE.get(i).login();
            if (!login.equals("liv.sorensen") && !login.equals("cass.umberline")) {
                continue;
            }
            Student student = courses.forStudent(market.id(), students.get(i)).student();
            Handout handout = Handout.of(kit.kit(), kit.sha256(), student.fields(market), Speech.words()).orElseThrow();
            DemoProject project = DemoProject.clean(handout.root(), FileNameForm.of(student.last(), false), i)
                    .add(Marker.FILE, handout.marker()).add(Marker.GUIDE, handout.guide());
            handout.folders().forEach(folder -> project.add(folder.text() + "/", new byte[0]));
            boolean whole = login.equals("liv.sorensen");
            bay.bring(whole ? "SATCHEL-03" : "SATCHEL-04", market.courseCode(), handout.root(),
                    (whole ? project : project.remove("sound/hum.wav")).files());
        }
    }

    private void handIn(AssignmentView market, PublishedKit kit, List<Long> students, DemoHandIns.Planted planted, Instant when,
            boolean located) {
        Membership place = courses.forStudent(market.id(), students.get(planted.student()));
        String root = handouts.rootName(kit, market, place.student()).orElseThrow();
        if (located && !planted.location().isEmpty()) {
            boolean windows = planted.location().contains("\\");
            boolean removable = !planted.location().startsWith("C:");
            locations.set(place, "", new ProjectLocation(Optional.of(windows ? OperatingSystem.WINDOWS : OperatingSystem.MACOS),
                    Optional.of(removable ? StorageKind.REMOVABLE : StorageKind.LOCAL), planted.location().replace("@", root)),
                    when.minus(Duration.ofHours(20)));
        }
        byte[] content = planted.make().apply(
                DemoProject.clean(root, FileNameForm.of(place.student().last(), false), planted.student()));
        receiver.take(place, root + ".zip", stored(content), when);
    }

    private ContentStore.Stored stored(byte[] content) {
        try {
            return store.store(new ByteArrayInputStream(content), Long.MAX_VALUE);
        } catch (IOException full) {
            throw new IllegalStateException("the demo data cannot be stored", full);
        }
    }
}
