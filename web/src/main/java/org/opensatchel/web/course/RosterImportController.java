package org.opensatchel.web.course;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.UUID;
import java.util.stream.Collectors;
import org.opensatchel.core.roster.RosterChange;
import org.opensatchel.core.roster.RosterChoice;
import org.opensatchel.core.roster.RosterColumn;
import org.opensatchel.core.roster.RosterReading;
import org.opensatchel.web.account.SignedIn;
import org.opensatchel.web.course.RosterService.CourseView;
import org.opensatchel.web.job.Job;
import org.opensatchel.web.job.JobPages;
import org.opensatchel.web.storage.ContentStore;
import org.opensatchel.web.storage.Contents;
import org.opensatchel.web.storage.Purpose;
import org.opensatchel.web.text.Speech;
import org.opensatchel.worker.Enrolled;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;
import org.springframework.web.util.UriComponentsBuilder;

/** How a roster comes in: sent or pasted, looked at, imported as a job, and taken back. */
@Controller
@RequestMapping("/courses/{id}/roster")
class RosterImportController {

    private static final long MOST_BYTES = RosterFiles.MOST_BYTES;
    /** So many of each kind are shown by name. */
    private static final int MOST_SHOWN = 1_000;

    private final RosterService rosters;
    private final RosterImports imports;
    private final RosterImportWork works;
    private final Contents contents;
    private final RosterFiles files;
    private final JobPages jobs;

    RosterImportController(RosterService rosters, RosterImports imports, RosterImportWork works, Contents contents, RosterFiles files,
            JobPages jobs) {
        this.rosters = rosters;
        this.imports = imports;
        this.works = works;
        this.contents = contents;
        this.files = files;
        this.jobs = jobs;
    }

    /**
     * What names a table and how it is read.
     *
     * @param file its hash
     * @param classId of a bundle, the classes that are wanted
     * @param chosen whether what its columns hold was chosen
     * @param column what each holds, empty for nothing
     * @param pasted whether it was pasted as text, which can be corrected where it is looked at
     */
    record Told(String file, Set<String> classId, Boolean chosen, Boolean headless, String[] column, Boolean pasted) {

        /** What was not said is empty, or not so. */
        Told {
            file = file == null ? "" : file;
            classId = classId == null ? Set.of() : classId;
            chosen = Boolean.TRUE.equals(chosen);
            headless = Boolean.TRUE.equals(headless);
            column = column == null ? new String[0] : column;
            pasted = Boolean.TRUE.equals(pasted);
        }

        /** Where it is looked at. */
        private String preview(long course) {
            UriComponentsBuilder out = UriComponentsBuilder.fromPath("/courses/" + course + "/roster").queryParam("file", file)
                    .queryParam("chosen", chosen).queryParam("headless", headless).queryParam("pasted", pasted);
            classId.forEach(one -> out.queryParam("classId", one));
            Arrays.stream(column).forEach(one -> out.queryParam("column", one));
            return out.encode().toUriString();
        }

        List<Optional<RosterColumn>> columns() {
            return Arrays.stream(column).map(Told::meaning).toList();
        }

        private static Optional<RosterColumn> meaning(String word) {
            return Arrays.stream(RosterColumn.values()).filter(one -> one.name().equals(word.toUpperCase(Locale.ROOT))).findFirst();
        }
    }

    /** The file as our script sends it. */
    @PostMapping
    ResponseEntity<Map<String, String>> upload(@PathVariable long id, @AuthenticationPrincipal SignedIn me, HttpServletRequest request)
            throws IOException {
        rosters.course(id, me.accountId());
        try {
            return ResponseEntity.ok(Map.of("next", kept(id, me, request.getInputStream()), "refusal", ""));
        } catch (ContentStore.TooLarge tooLarge) {
            return ResponseEntity.status(HttpStatus.UNPROCESSABLE_CONTENT)
                    .body(Map.of("next", "", "refusal", Speech.say("upload.too-large", Speech.words().size(MOST_BYTES))));
        }
    }

    /** The table pasted as text, which needs no script. */
    @PostMapping("/paste")
    String paste(@PathVariable long id, @RequestParam String table, @AuthenticationPrincipal SignedIn me) throws IOException {
        rosters.course(id, me.accountId());
        return "redirect:" + kept(id, me, new ByteArrayInputStream(table.getBytes(StandardCharsets.UTF_8))) + "&pasted=true";
    }

    private String kept(long id, SignedIn me, InputStream table) throws IOException {
        return "/courses/" + id + "/roster?file=" + contents.keep(table, Purpose.ROSTER, id, me.accountId(), MOST_BYTES).sha256();
    }

    @GetMapping
    Object preview(@PathVariable long id, Told told, @AuthenticationPrincipal SignedIn me, Model model, HttpServletRequest request,
            HttpServletResponse response) {
        CourseView course = rosters.course(id, me.accountId());
        RosterChoice choice = imports.choice(id, told.chosen, told.headless, told.columns());
        model.addAttribute("course", course);
        Optional<Job> asked = files.ask(id, me.accountId(), told.file, told.classId, choice);
        return jobs.show(asked, new JobPages.Waiting("roster", "/courses/" + id), request, response, model, () -> {
            Enrolled enrolled = files.answer(asked.orElseThrow());
            RosterReading reading = enrolled.reading();
            model.addAttribute("told", told);
            model.addAttribute("classes", enrolled.classes());
            model.addAttribute("reading", reading);
            model.addAttribute("meanings", RosterColumn.values());
            model.addAttribute("most", MOST_SHOWN);
            model.addAttribute("token", UUID.randomUUID());
            model.addAttribute("pasted", told.pasted ? files.text(id, told.file) : "");
            if (reading.isGood()) {
                RosterChange change = imports.change(id, reading);
                model.addAttribute("change", change);
                model.addAttribute("joining", imports.joining(change));
                model.addAttribute("renames", change.changed().stream().anyMatch(RosterChange.Changed::isName));
            }
            return "course/preview";
        });
    }

    /**
     * Imports it.
     *
     * @param token the same for the same press of the button
     * @param asked rows of which it was asked whether an account is theirs
     * @param join of these, those whose it is
     * @param remove who loses access
     */
    @PostMapping("/apply")
    String apply(@PathVariable long id, Told told, @RequestParam(defaultValue = "") String token,
            @RequestParam(required = false) Set<Integer> asked,
            @RequestParam(required = false) Set<Integer> join, @RequestParam(required = false) Set<Long> remove,
            @RequestParam(defaultValue = "true") boolean keepsNames, @AuthenticationPrincipal SignedIn me, RedirectAttributes redirect) {
        rosters.course(id, me.accountId());
        TreeSet<Integer> apart = said(asked);
        apart.removeAll(said(join));
        RosterChoice choice = imports.choice(id, told.chosen, told.headless, told.columns());
        Optional<Job> job = works.ask(id, me.accountId(), told.file, told.classId, choice,
                new RosterImports.Decided(press(token), apart,
                        said(remove), keepsNames));
        if (job.isEmpty()) {
            redirect.addFlashAttribute("refused", Speech.say("job.own"));
            return "redirect:" + told.preview(id);
        }
        return "redirect:/courses/" + id + "/roster/importing/" + job.get().id();
    }

    /** What is in a field that may be there several times or not at all, and may be blank. */
    private static <T> TreeSet<T> said(Set<T> values) {
        return values == null ? new TreeSet<>()
                : values.stream().filter(Objects::nonNull).collect(Collectors.toCollection(TreeSet::new));
    }

    private static String press(String token) {
        UUID known = token.isEmpty() ? UUID.randomUUID() : UUID.nameUUIDFromBytes(token.getBytes(StandardCharsets.UTF_8));
        return known.toString();
    }

    @GetMapping("/importing/{job}")
    Object importing(@PathVariable long id, @PathVariable long job, @AuthenticationPrincipal SignedIn me, Model model,
            HttpServletRequest request, HttpServletResponse response, RedirectAttributes redirect) {
        rosters.course(id, me.accountId());
        Optional<Job> asked = works.find(id, job);
        if (asked.isEmpty()) {
            // What it did stands on the course's page.
            return "redirect:/courses/" + id;
        }
        return jobs.show(asked, new JobPages.Waiting("roster-import", "/courses/" + id), request, response, model, () -> {
            redirect.addFlashAttribute("told", Speech.say("roster.imported", works.answer(asked.get()).made()));
            return "redirect:/courses/" + id;
        });
    }

    @PostMapping("/undo")
    String undo(@PathVariable long id, @RequestParam long made, @AuthenticationPrincipal SignedIn me, RedirectAttributes redirect) {
        rosters.course(id, me.accountId());
        imports.undo(id, made);
        redirect.addFlashAttribute("told", Speech.say("roster.undone"));
        return "redirect:/courses/" + id;
    }
}
