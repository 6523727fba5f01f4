package org.opensatchel.web.text;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import org.junit.jupiter.api.Test;
import org.opensatchel.web.RunningApplication;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.JdbcTemplate;

/** The language of a page: a person's own choice, else their course's, else the browser's. */
class LanguageTest extends RunningApplication {

    @Autowired
    private JdbcTemplate database;

    private Page german(String login) {
        return signIn(login, new Browser.NewContextOptions().setLocale("de-AT").setViewportSize(1280, 800));
    }

    private void button(Page page, String name) {
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(true)).click();
    }

    @Test
    void theBrowsersLanguageHolds() {
        Page page = german("ottoline.marsh");
        goTo(page, address("/what-is-checked"));
        assertThat(page.locator("html")).hasAttribute("lang", "de");
        assertThat(page.locator("main")).containsText("Eine Verknüpfung");
        accessible(page);
        Page other = signIn("ottoline.marsh", new Browser.NewContextOptions().setLocale("fr-FR"));
        assertThat(other.locator("html")).hasAttribute("lang", "en");
    }

    @Test
    void aPersonsOwnChoiceCountsMore() {
        Page page = german("odile.marsh");
        goTo(page, address("/account"));
        page.selectOption("#language", "en");
        button(page, "Speichern");
        assertThat(page.locator("html")).hasAttribute("lang", "en");
        goTo(page, address("/"));
        assertThat(page.locator("html")).hasAttribute("lang", "en");
        goTo(page, address("/account"));
        page.selectOption("#language", "");
        button(page, "Save");
        assertThat(page.locator("html")).hasAttribute("lang", "de");
    }

    @Test
    void aCourseSpeaksForThoseWhoChoseNothing() {
        Page instructor = signIn("quillfeather");
        long course = market().courseId();
        try {
            goTo(instructor, address("/courses/" + course));
            instructor.selectOption("#language", "de");
            instructor.locator("form[action$='/language'] button").click();
            Page student = signIn("barnaby.rudge");
            assertThat(student.locator("html")).hasAttribute("lang", "de");
        } finally {
            database.update("update course set language = '' where id = ?", course);
        }
    }

    /** One report, kept as facts, reads in the language of whoever looks. */
    @Test
    void oneReportReadsInBothLanguages() {
        Page english = signIn("quillfeather");
        goTo(english, address("/assignments/" + market().id() + "/review"));
        english.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Marsh, Ottoline")).click();
        assertThat(english.locator(".findings")).containsText("6 links have a full path (F:");
        Page german = german("quillfeather");
        goTo(german, english.url());
        assertThat(german.locator(".findings")).containsText("6 Verknüpfungen");
        assertThat(german.locator(".findings")).not().containsText("links are tied");
        accessible(german);
    }
}
