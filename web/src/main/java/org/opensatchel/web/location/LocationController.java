package org.opensatchel.web.location;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.opensatchel.core.fact.Wording;
import org.opensatchel.core.location.StorageKind;
import org.opensatchel.core.machine.OperatingSystem;
import org.opensatchel.web.account.SignedIn;
import org.opensatchel.web.course.AssignmentView;
import org.opensatchel.web.course.CourseService;
import org.opensatchel.web.course.CourseService.Place;
import org.opensatchel.web.course.Student;
import org.opensatchel.web.text.Speech;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Setting a project's location, and seeing those of a class. */
@Controller
@RequestMapping("/assignments/{id}")
class LocationController {

    private final CourseService courses;
    private final LocationService locations;

    LocationController(CourseService courses, LocationService locations) {
        this.courses = courses;
        this.locations = locations;
    }

    /** One student's row on the instructor's page. */
    record Row(Student student, Optional<SetLocation> location) {}

    /** A choice of the page. */
    record Choice(String value, String key) {
        static Choice of(Enum<?> one) {
            return new Choice(one.name(), Wording.word(one));
        }
    }

    @GetMapping("/locations")
    String all(@PathVariable long id, @AuthenticationPrincipal SignedIn me, Model model) {
        AssignmentView assignment = courses.forInstructor(id, me.accountId());
        Map<Long, SetLocation> current = locations.current(assignment);
        model.addAttribute("assignment", assignment);
        model.addAttribute("step", "locate");
        model.addAttribute("rows", courses.roster(assignment).stream()
                .map(student -> new Row(student, Optional.ofNullable(current.get(student.enrolmentId())))).toList());
        return "location/locations";
    }

    @GetMapping("/location")
    String show(@PathVariable long id, @AuthenticationPrincipal SignedIn me, Model model) {
        Place place = courses.forStudent(id, me.accountId());
        List<SetLocation> history = locations.history(place);
        Optional<LocationForm> last = history.stream().findFirst().map(LocationForm::of);
        fill(model, place, last.orElse(new LocationForm(null, null, "")), history, last.isPresent());
        return "location/location";
    }

    /** The strap alone, for the page to put in while the path is typed. */
    @PostMapping("/location/judge")
    String judge(@PathVariable long id, @AuthenticationPrincipal SignedIn me, @ModelAttribute LocationForm form, Model model) {
        Place place = courses.forStudent(id, me.accountId());
        strap(model, place, form, true);
        return "location/location :: strap";
    }

    @PostMapping("/location")
    String set(@PathVariable long id, @AuthenticationPrincipal SignedIn me, @ModelAttribute LocationForm form, Model model,
            RedirectAttributes redirect) {
        Place place = courses.forStudent(id, me.accountId());
        boolean refused = form.path().isBlank() || form.path().strip().length() > LocationService.MAX_PATH;
        if (refused) {
            fill(model, place, form, locations.history(place), true);
            model.addAttribute("refused", form.path().isBlank() ? Speech.say("location.no-path") : Speech.say("location.far-too-long"));
            return "location/location";
        }
        locations.set(place, form.location());
        redirect.addFlashAttribute("saved", true);
        return "redirect:/assignments/" + id + "/location";
    }

    private void fill(Model model, Place place, LocationForm form, List<SetLocation> history, boolean judged) {
        model.addAttribute("assignment", place.assignment());
        model.addAttribute("student", place.student());
        model.addAttribute("step", "location");
        model.addAttribute("form", form);
        model.addAttribute("history", history);
        model.addAttribute("systems", Arrays.stream(OperatingSystem.values()).map(Choice::of).toList());
        model.addAttribute("storages", Arrays.stream(StorageKind.values()).map(Choice::of).toList());
        model.addAttribute("root", locations.rootName(place).orElse(null));
        model.addAttribute("where", example(form.system(), locations.rootName(place).orElse("project")));
        strap(model, place, form, judged);
    }

    private void strap(Model model, Place place, LocationForm form, boolean judged) {
        boolean shown = judged && !form.path().isBlank();
        model.addAttribute("strap",
                shown ? Strap.of(form.path(), locations.judge(place, form.location()), locations.rootName(place), Speech.words()) : null);
    }

    private static String example(OperatingSystem system, String root) {
        return switch (system) {
            case WINDOWS -> "E:\\" + root;
            case MACOS -> "/Volumes/STICK/" + root;
            case LINUX -> "/media/you/STICK/" + root;
        };
    }
}
