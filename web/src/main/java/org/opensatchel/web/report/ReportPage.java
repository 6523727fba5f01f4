package org.opensatchel.web.report;

import java.time.Duration;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.opensatchel.core.judging.Judgement;
import org.opensatchel.core.report.Report.FindingLine;
import org.opensatchel.core.report.ReportDigest;
import org.opensatchel.core.report.Since;
import org.opensatchel.core.report.Verdict;
import org.opensatchel.core.words.Sentence;
import org.opensatchel.web.course.CourseService;
import org.opensatchel.web.handin.HandInService;
import org.opensatchel.web.handin.HandInView;
import org.opensatchel.web.judging.Judged;
import org.opensatchel.web.judging.JudgingService;
import org.opensatchel.web.text.Speech;
import org.springframework.stereotype.Component;
import org.springframework.ui.Model;

/** What the page of a report shows, whoever looks at it. */
@Component
public class ReportPage {

    private static final int MOST_CHANGES = 12;

    private final CourseService courses;
    private final HandInService handIns;
    private final List<BesideReport> desks;
    private final JudgingService judging;

    ReportPage(CourseService courses, HandInService handIns, List<BesideReport> desks, JudgingService judging) {
        this.judging = judging;
        this.courses = courses;
        this.handIns = handIns;
        this.desks = desks;
    }

    /**
     * Fills the page of a hand-in that is checked.
     *
     * @param page of the list of links, from 1
     */
    public void fill(HandInService.Shown shown, int page, Map<String, String> asked, Model model) {
        List<HandInView> all = handIns.seen(shown);
        Optional<HandInView> before = before(shown.handIn(), all);
        Map<Long, Judged> judged = judging.judged(shown.place(),
                Stream.concat(Stream.of(shown.handIn()), before.stream()).map(HandInView::id).toList());
        Judgement judgement = judged.get(shown.handIn().id()).judgement();
        ReportDigest digest = judgement.digest();
        model.addAttribute("judgement", judgement);
        model.addAttribute("report", digest.head());
        model.addAttribute("unjudged",
                Speech.words().list(digest.head().unjudged().stream().map(what -> Speech.say("report.unjudged-" + what)).toList()));
        model.addAttribute("places", Speech.words());
        // What the kit asks for and nobody judges stands beside the verdict already.
        List<String> told = List.of("media", "points", "steps");
        model.addAttribute("notChecked",
                Speech.words().notChecked(digest.head().notChecked().stream().filter(what -> !told.contains(what)).toList()));
        model.addAttribute("since", before.map(last -> since(last, judged.get(last.id()).judgement(), judgement)).orElse(null));
        model.addAttribute("groups", ToldFindings.of(judgement, Speech.words()));
        if (digest.head().counts().must() > 0 && !digest.head().verdict().equals(Verdict.BLOCKED)) {
            model.addAttribute("skipTo", "#finding-0");
        }
        ThreadMap map = ThreadMap.of(digest, passed(judgement));
        model.addAttribute("map", map);
        model.addAttribute("lit", judgement.things().stream().map(group -> map.threadsOf(group.findings())).toList());
        model.addAttribute("laid", digest.head().plan().map(PlanDrawing::of).orElse(null));
        model.addAttribute("timelines", TimelineDrawing.of(judgement));
        model.addAttribute("media", MediaSheet.of(digest).filter(sheet -> !sheet.rows().isEmpty()).orElse(null));
        model.addAttribute("opening", digest.opening().orElse(null));
        model.addAttribute("passed",
                judgement.waived().stream().map(one -> Speech.words().message(one.finding())).limit(MOST_CHANGES).toList());
        lay(shown, judged.get(shown.handIn().id()), asked, model);
        model.addAttribute("carry", CarryGrid.of(digest, Speech.words()));
        model.addAttribute("listed",
                LinkPage.of(page, digest.head().project().links(), wanted -> handIns.links(shown, wanted), Speech.words()));
        model.addAttribute("others", shown.handIn().isPreCheck() ? List.of() : all.stream().filter(one -> !one.isPreCheck()).toList());
    }

    /** The places of the links that were let pass, those that only follow from something among them. */
    private static Set<String> passed(Judgement judgement) {
        Set<String> places = new HashSet<>();
        for (Judgement.Waived waived : judgement.waived()) {
            FindingLine finding = waived.finding();
            finding.at().ifPresent(at -> places.add(ThreadMap.place(finding.path(), at)));
            finding.consequences().orElse(List.of())
                    .forEach(one -> one.at().ifPresent(at -> places.add(ThreadMap.place(one.path(), at))));
        }
        return places;
    }

    void lay(HandInService.Shown shown, Judged judged, Map<String, String> asked, Model model) {
        if (!shown.handIn().isPreCheck()) {
            desks.forEach(desk -> desk.lay(shown, judged, asked, model));
        }
    }

    /** By how much it came too late; nobody minds that of a pre-check. */
    Optional<Duration> late(HandInService.Shown shown) {
        return shown.handIn().isPreCheck() ? Optional.empty()
                : courses.deadlines(shown.place().assignment()).of(shown.handIn().enrolmentId()).late(shown.handIn().receivedAt());
    }

    /** What the student had checked last before this came, as a hand-in or before one. */
    private static Optional<HandInView> before(HandInView now, List<HandInView> all) {
        return all.stream()
                .filter(other -> other.isDone() && other.verdict() != Verdict.BLOCKED && other.receivedAt().isBefore(now.receivedAt()))
                .max(Comparator.comparing(HandInView::receivedAt));
    }

    /** What became of what the check before found. */
    private static SinceBefore since(HandInView before, Judgement then, Judgement now) {
        Since since = Since.between(then.digest().head().findings(), now.digest().head().findings());
        return new SinceBefore(before, since.fixed().size(), since.fresh().size(), told(since.fixed()), told(since.fresh()));
    }

    private static List<Sentence> told(List<FindingLine> findings) {
        return findings.stream().limit(MOST_CHANGES).map(finding -> Speech.words().message(finding)).toList();
    }

    /** What a page says of the check before. */
    public record SinceBefore(HandInView before, int fixed, int fresh, List<Sentence> isFixed, List<Sentence> isFresh) {}
}
