package org.opensatchel.web.course;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.time.Duration;
import java.time.Instant;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.opensatchel.core.roster.RosterLine;
import org.opensatchel.web.RunningApplication;
import org.springframework.beans.factory.annotation.Autowired;

/** Lists of more than fifty are looked through by what stands in them. */
class LongListTest extends RunningApplication {

    @Autowired
    private RosterService roster;

    private long assignment(String code, int students) {
        long instructor = accounts.loadUserByUsername("quillfeather").accountId();
        long id = courses.createCourse(code, "Long Lists", "", instructor);
        RosterService.CourseView course = roster.course(id, instructor);
        for (int i = 1; i <= students; i++) {
            String last = i == 7 ? "Önning" : "Person" + i;
            assertThat(roster.add(course, new RosterLine(i, last, "Sam", code + "-" + i, "1", "", "", ""), false)).isEmpty();
        }
        return courses.createAssignment(id, "A1", "Lantern Walk", Instant.now().plus(Duration.ofDays(9)));
    }

    @ParameterizedTest
    @ValueSource(strings = {"locations", "teams"})
    void aStudentIsFoundInALongList(String list) {
        long assignment = assignment("LL-" + list, 53);
        Page page = signIn("quillfeather");
        goTo(page, address("/assignments/" + assignment + "/" + list));
        Locator rows = page.locator("tbody tr:visible");
        assertThat(rows).hasCount(53);
        page.getByRole(AriaRole.SEARCHBOX).fill("onning");
        assertThat(rows).hasCount(1);
        assertThat(rows).containsText("Önning");
        assertThat(page.locator(".finds [role=status]")).hasText("1 shown");
        accessible(page);
        page.locator("input[data-finds]").fill("nobody at all");
        assertThat(page.locator(".finds [role=status]")).hasText("none found");
        page.locator("input[data-finds]").fill("");
        assertThat(rows).hasCount(53);
    }

    @Test
    void aShortListNeedsNone() {
        long assignment = assignment("LL-short", 3);
        Page page = signIn("quillfeather");
        goTo(page, address("/assignments/" + assignment + "/locations"));
        assertThat(page.locator("tbody tr")).hasCount(3);
        assertThat(page.locator("input[data-finds]")).hasCount(0);
    }
}
