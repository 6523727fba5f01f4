package org.opensatchel.web.upload;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.util.List;
import java.util.Optional;
import org.opensatchel.core.check.CheckRequest;
import org.opensatchel.core.check.Glance;
import org.opensatchel.core.kit.Marker;
import org.opensatchel.core.report.Report.FindingLine;
import org.opensatchel.core.words.Words;
import org.opensatchel.web.course.CourseService;
import org.opensatchel.web.course.CourseService.Membership;
import org.opensatchel.web.course.Student;
import org.opensatchel.web.handin.HandInQuota;
import org.opensatchel.web.handin.HandInService;
import org.opensatchel.web.handin.HandInView;
import org.opensatchel.web.kit.KitService;
import org.opensatchel.web.kit.PublishedKit;
import org.opensatchel.web.text.Speech;
import org.opensatchel.web.text.Times;
import org.springframework.stereotype.Component;

/** What is said of a project before it is sent: what will happen, and whether it looks like the right one. */
@Component
class HandInGlance {

    private final CourseService courses;
    private final KitService kits;
    private final HandInService handIns;
    private final HandInQuota quota;
    private final Times times;
    private final Clock clock;

    HandInGlance(CourseService courses, KitService kits, HandInService handIns, HandInQuota quota, Times times, Clock clock) {
        this.courses = courses;
        this.kits = kits;
        this.handIns = handIns;
        this.quota = quota;
        this.times = times;
        this.clock = clock;
    }

    /**
     * What somebody is about to send.
     *
     * @param bytes how much
     * @param files how many files are in it
     * @param names the first of their paths
     * @param marker the content of its marker; empty where there is none
     */
    record Picked(String name, long bytes, long files, List<String> names, String marker) {
        Picked {
            name = name == null ? "" : name;
            names = names == null ? List.of() : List.copyOf(names);
            marker = marker == null ? "" : marker;
        }
    }

    /** One thing that is said. */
    record Said(String severity, String text, String remedy) {}

    /**
     * @param refusal why it cannot be handed in; empty when it can
     * @param summary what will happen
     * @param said what seems wrong with it
     */
    record Answer(String refusal, String summary, List<Said> said) {}

    Answer at(Membership place, Picked picked) {
        Optional<String> refusal = quota.closed(place).or(() -> quota.refusal(place, Math.max(0, picked.bytes)));
        if (refusal.isPresent()) {
            return new Answer(refusal.get(), "", List.of());
        }
        int number = handIns.ofStudent(place).stream().mapToInt(HandInView::number).max().orElse(0) + 1;
        String summary = Speech.say("hand-in.about-to", number, place.assignment().name(), times.size(picked.bytes), picked.files);
        return new Answer("", late(place).map(late -> summary + " " + late).orElse(summary), said(place, picked));
    }

    private Optional<String> late(Membership place) {
        return place.assignment().deadline().late(clock.instant()).map(late -> Speech.say("hand-in.will-be-late", times.span(late)));
    }

    private List<Said> said(Membership place, Picked picked) {
        Optional<PublishedKit> kit = kits.current(place.assignment());
        Student student = place.student();
        Optional<byte[]> marker = Optional.of(picked.marker.getBytes(StandardCharsets.UTF_8))
                .filter(content -> content.length > 0 && content.length <= Marker.MAX_BYTES);
        CheckRequest request = CheckRequest.of(kit.map(PublishedKit::kit), student.fields(place.assignment())).amongst(
                courses.roster(place.assignment()).stream().map(other -> other.fields(place.assignment())).toList());
        try {
            return Glance.at(picked.names, marker, request).stream().map(HandInGlance::said).toList();
        } catch (IOException impossible) {
            throw new UncheckedIOException(impossible);
        }
    }

    private static Said said(FindingLine finding) {
        Words words = Speech.words();
        return new Said(finding.severity(), words.message(finding).toString(),
                words.of(finding).remedy().stream().findFirst().map(Object::toString).orElse(""));
    }
}
