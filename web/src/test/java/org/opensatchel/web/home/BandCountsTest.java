package org.opensatchel.web.home;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Map;
import java.util.Objects;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import org.opensatchel.web.Questions;
import org.opensatchel.web.RunningApplication;
import org.opensatchel.web.course.AssignmentView;
import org.opensatchel.web.handin.HandInView;
import org.opensatchel.web.handout.HandoutService;
import org.opensatchel.web.location.LocationService;
import org.springframework.beans.factory.annotation.Autowired;

/** The band on top of every page counts what the pages below it show, and asks the database once. */
class BandCountsTest extends RunningApplication {

    @Autowired
    private BandCounts counts;
    @Autowired
    private StudentSteps steps;
    @Autowired
    private HandoutService handouts;
    @Autowired
    private LocationService locations;
    @Autowired
    private TeachingWork teaching;
    @Autowired
    private BagRows bags;

    @Test
    void countsWhatThePagesShow() {
        AssignmentView market = market();
        long instructor = accounts.loadUserByUsername("quillfeather").accountId();
        BandCounts.Teaching counted = counts.teaching(market.id(), instructor).orElseThrow();
        Map<Long, HandInView> latest = handIns.counting(market);
        assertThat(counted.plans()).isTrue();
        assertThat(counted.students()).isEqualTo(courses.roster(market).size());
        assertThat(counted.held()).isEqualTo(handouts.held(market).size());
        assertThat(counted.located()).isEqualTo(locations.current(market).size());
        assertThat(counted.handedIn()).isEqualTo(latest.size());
        assertThat(counted.ready()).isEqualTo((int) latest.values().stream().filter(handIn -> "ready".equals(handIn.told())).count());
        assertThat(counted.tidy()).isEqualTo((int) latest.values().stream().filter(handIn -> "tidy".equals(handIn.told())).count())
                .isPositive();
        assertThat(counted.ready() + counted.tidy() + counted.toFix()).isEqualTo(latest.size());
    }

    @Test
    void askingCostsOneQuestionAndStrangersSeeNothing() {
        AssignmentView market = market();
        long instructor = accounts.loadUserByUsername("quillfeather").accountId();
        long student = accounts.loadUserByUsername("ottoline.marsh").accountId();
        assertThat(Questions.of(() -> assertThat(counts.teaching(market.id(), instructor)).isPresent())).isEqualTo(1);
        assertThat(counts.teaching(market.id(), student)).isEmpty();
        assertThat(Questions.of(() -> assertThat(steps.of(student, market.id())).hasValueSatisfying(own -> {
            assertThat(own.held()).isPresent();
            assertThat(own.handIn()).isPresent();
        }))).isEqualTo(1);
        assertThat(steps.of(instructor, market.id())).isEmpty();
    }

    /** What the first page says of a class is the sum of what it says to each of its students. */
    @Test
    void foldersAreFilledAsOftenAsStudentsFilledThem() {
        AssignmentView market = market();
        Map<String, Integer> expected = new TreeMap<>();
        courses.roster(market).stream().map(student -> bags.newest(student.accountId()).get(market.id())).filter(Objects::nonNull)
                .forEach(found -> found.filled().forEach(folder -> expected.merge(folder, 1, Integer::sum)));
        Map<String, Integer> filled = teaching.filled(accounts.loadUserByUsername("quillfeather").accountId()).get(market.id());
        assertThat(filled).containsExactlyInAnyOrderEntriesOf(expected).containsKeys("story", "footage", "delivery");
        assertThat(filled.get("story")).isLessThan(filled.get("footage"));
    }
}
