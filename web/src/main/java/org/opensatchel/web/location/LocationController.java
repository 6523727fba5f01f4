package org.opensatchel.web.location;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.opensatchel.base.fact.Wording;
import org.opensatchel.base.path.NameFolding;
import org.opensatchel.core.location.OperatingSystem;
import org.opensatchel.core.location.StorageKind;
import org.opensatchel.web.account.SignedIn;
import org.opensatchel.web.course.AssignmentView;
import org.opensatchel.web.course.CourseService;
import org.opensatchel.web.course.CourseService.Membership;
import org.opensatchel.web.course.NotAccessible;
import org.opensatchel.web.course.Student;
import org.opensatchel.web.text.Speech;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Setting a project's location, and seeing those of a class. */
@Controller
@RequestMapping("/assignments/{id}")
class LocationController {

    /** Computers that one student may name. */
    private static final int MOST_COMPUTERS = 6;

    private final CourseService courses;
    private final LocationService locations;
    private final TiedLinks links;

    LocationController(CourseService courses, LocationService locations, TiedLinks links) {
        this.courses = courses;
        this.locations = locations;
        this.links = links;
    }

    /** One student’s row on the instructor’s page; faulty is the location of the first computer where something is wrong with it, else null. */
    record Row(Student student, List<SetLocation> places, Strap faulty) {}

    /** A choice of the page. */
    record Choice(String value, String key) {
        static Choice of(Enum<?> one) {
            return new Choice(one.name(), Wording.word(one));
        }
    }

    @GetMapping("/locations")
    String all(@PathVariable long id, @AuthenticationPrincipal SignedIn me, Model model) {
        AssignmentView assignment = courses.forInstructor(id, me.accountId());
        Map<Long, List<SetLocation>> current = locations.everywhere(assignment);
        model.addAttribute("assignment", assignment);
        model.addAttribute("step", "locate");
        model.addAttribute("rows", courses.roster(assignment).stream()
                .map(student -> row(assignment, student, current.getOrDefault(student.enrolmentId(), List.of()))).toList());
        return "location/locations";
    }

    private Row row(AssignmentView assignment, Student student, List<SetLocation> places) {
        Membership place = new Membership(assignment, student);
        // What was right when it was set is not looked at again.
        Strap faulty = places.stream().limit(1).filter(set -> !set.isFine()).map(set -> Strap.of(set.path(),
                locations.judge(place, LocationForm.of(set).location()), locations.rootName(place), Speech.words()))
                .filter(strap -> !strap.isFine()).findFirst().orElse(null);
        return new Row(student, places, faulty);
    }

    /** What the page says of one other member of a team. */
    record Mate(String name, Optional<String> root, boolean agrees) {}

    /** @param computer which of the student's computers; another name begins a new one */
    @GetMapping("/location")
    String show(@PathVariable long id, @RequestParam(required = false) String computer, @AuthenticationPrincipal SignedIn me,
            @RequestHeader(name = "User-Agent", defaultValue = "") String browser, Model model) {
        Membership place = courses.forStudent(id, me.accountId());
        List<SetLocation> own = own(place);
        Optional<SetLocation> shown = own.stream().filter(set -> computer == null || set.computer().equals(computer.strip())).findFirst();
        LocationForm form = shown.map(LocationForm::of).orElse(new LocationForm(system(browser), null, "", computer, null));
        fill(model, place, form, shown.isPresent());
        return "location/location";
    }

    /** The kind of computer that a page is asked from, to begin with. */
    private static OperatingSystem system(String browser) {
        return browser.contains("Windows") ? OperatingSystem.WINDOWS
                : browser.contains("Mac OS") ? OperatingSystem.MACOS : browser.contains("Linux") ? OperatingSystem.LINUX : null;
    }

    private List<SetLocation> own(Membership place) {
        return locations.current(place.assignment(), place.student().enrolmentId());
    }

    private SetLocation own(Membership place, String computer) {
        return own(place).stream().filter(set -> set.computer().equals(computer)).findFirst().orElseThrow(NotAccessible::new);
    }

    /** The strap alone, for the page to put in while the path is typed. */
    @PostMapping("/location/judge")
    String judge(@PathVariable long id, @AuthenticationPrincipal SignedIn me, @ModelAttribute LocationForm form, Model model) {
        Membership place = courses.forStudent(id, me.accountId());
        strap(model, place, form, true);
        return "location/location :: strap";
    }

    @PostMapping("/location")
    String set(@PathVariable long id, @AuthenticationPrincipal SignedIn me, @ModelAttribute LocationForm form, Model model,
            RedirectAttributes redirect) {
        Membership place = courses.forStudent(id, me.accountId());
        boolean many = own(place).stream().noneMatch(set -> set.computer().equals(form.computer())) && own(place).size() >= MOST_COMPUTERS;
        Optional<String> refusal = form.path().isBlank() ? Optional.of(Speech.say("location.no-path"))
                : form.path().strip().length() > LocationService.MAX_PATH ? Optional.of(Speech.say("location.far-too-long"))
                        : many ? Optional.of(Speech.say("location.too-many", MOST_COMPUTERS)) : Optional.empty();
        if (refusal.isPresent()) {
            fill(model, place, form, true);
            model.addAttribute("refused", refusal.get());
            return "location/location";
        }
        return kept(place, form, redirect);
    }

    private String kept(Membership place, LocationForm form, RedirectAttributes redirect) {
        own(place).stream().filter(set -> form.isRenamed() && set.computer().equals(form.was()))
                .forEach(set -> locations.giveUp(place, set));
        SetLocation set = locations.set(place, form.computer(), form.location());
        redirect.addFlashAttribute("saved", set.isFine());
        redirect.addFlashAttribute("kept", !set.isFine());
        redirect.addAttribute("computer", form.computer());
        return "redirect:/assignments/" + place.assignment().id() + "/location";
    }

    /** Another letter of the drive, or another name of the folder: the rest of the path stays. */
    @PostMapping("/location/moved")
    String moved(@PathVariable long id, @RequestParam(defaultValue = "") String computer, @RequestParam(defaultValue = "") String letter,
            @RequestParam(defaultValue = "") String name, @AuthenticationPrincipal SignedIn me, RedirectAttributes redirect) {
        Membership place = courses.forStudent(id, me.accountId());
        SetLocation was = own(place, computer.strip());
        String path = was.path();
        if (letter.strip().matches("[A-Za-z]:?") && path.matches("[A-Za-z]:.*")) {
            path = letter.strip().substring(0, 1).toUpperCase(Locale.ROOT) + path.substring(1);
        } else if (!name.isBlank() && name.length() <= LocationService.MAX_PATH) {
            int end = Math.max(path.lastIndexOf('/'), path.lastIndexOf('\\'));
            path = path.substring(0, end + 1) + name.strip();
        } else {
            redirect.addFlashAttribute("refused", Speech.say("location.moved-how"));
        }
        if (!path.equals(was.path())) {
            redirect.addFlashAttribute("tied", links.tied(place));
            redirect.addFlashAttribute("was", was.path());
            return kept(place, new LocationForm(was.system(), was.storage(), path, was.computer(), null), redirect);
        }
        redirect.addAttribute("computer", was.computer());
        return "redirect:/assignments/" + id + "/location";
    }

    /** The project lies on a computer no more. */
    @PostMapping("/location/give-up")
    String giveUp(@PathVariable long id, @RequestParam(defaultValue = "") String computer, @AuthenticationPrincipal SignedIn me) {
        Membership place = courses.forStudent(id, me.accountId());
        locations.giveUp(place, own(place, computer.strip()));
        return "redirect:/assignments/" + id + "/location";
    }

    private void fill(Model model, Membership place, LocationForm form, boolean judged) {
        Optional<String> root = locations.rootName(place);
        model.addAttribute("assignment", place.assignment());
        model.addAttribute("student", place.student());
        model.addAttribute("step", "location");
        model.addAttribute("form", form);
        model.addAttribute("places", own(place));
        model.addAttribute("history", locations.history(place));
        model.addAttribute("systems", Arrays.stream(OperatingSystem.values()).map(Choice::of).toList());
        model.addAttribute("storages", Arrays.stream(StorageKind.values()).map(Choice::of).toList());
        model.addAttribute("root", root.orElse(null));
        model.addAttribute("nameless",
                Speech.words().list(locations.missing(place).stream().map(field -> Speech.text(field.say())).toList()));
        model.addAttribute("examples", examples(root.orElse("project")));
        model.addAttribute("team", team(place, root));
        strap(model, place, form, judged);
    }

    /** A right path on each kind of computer, by its name in forms. */
    private static Map<String, String> examples(String root) {
        return Map.of("WINDOWS", "E:\\" + root, "MACOS", "/Volumes/STICK/" + root, "LINUX", "/media/you/STICK/" + root);
    }

    /** The others of the team, and whether their folder has the same name. */
    private List<Mate> team(Membership place, Optional<String> root) {
        if (place.student().team().isEmpty()) {
            return List.of();
        }
        List<Student> team = courses.roster(place.assignment()).stream().filter(other -> other.team().equals(place.student().team()))
                .toList();
        Map<Long, SetLocation> set = locations.current(place.assignment(), team.stream().map(Student::enrolmentId).toList());
        Optional<String> own = Optional.ofNullable(set.get(place.student().enrolmentId())).map(SetLocation::rootName).or(() -> root);
        return team.stream().filter(other -> other.enrolmentId() != place.student().enrolmentId())
                .map(other -> mate(other, Optional.ofNullable(set.get(other.enrolmentId())).map(SetLocation::rootName), own))
                .toList();
    }

    private static Mate mate(Student other, Optional<String> theirs, Optional<String> own) {
        return new Mate(other.name(), theirs,
                theirs.isPresent() && theirs.map(NameFolding::composed).equals(own.map(NameFolding::composed)));
    }

    private void strap(Model model, Membership place, LocationForm form, boolean judged) {
        boolean shown = judged && !form.path().isBlank();
        model.addAttribute("strap",
                shown ? Strap.of(form.path(), locations.judge(place, form.location()), locations.rootName(place), Speech.words()) : null);
    }
}
