package org.opensatchel.web.http;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Response;
import com.microsoft.playwright.options.ColorScheme;
import com.microsoft.playwright.options.ForcedColors;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.jsoup.parser.ParseError;
import org.jsoup.parser.Parser;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import org.opensatchel.web.RunningApplication;

/** Every page, for whoever works by keyboard, listens to it, cannot see well, works at night, or has nothing but a phone. */
class EveryPageTest extends RunningApplication {

    private static final String STUDENT = "ottoline.marsh";
    private static final String INSTRUCTOR = "quillfeather";
    /** As wide as a page is at four times its size (WCAG 2.2, 1.4.10). */
    private static final int NARROW = 320;

    private static Browser.NewContextOptions wide() {
        return new Browser.NewContextOptions().setViewportSize(1280, 800);
    }

    static Stream<Arguments> ways() {
        Stream<Arguments> both = Stream.of(STUDENT, INSTRUCTOR).flatMap(who -> Stream.of(Arguments.of(who, "light", wide()),
                Arguments.of(who, "dark, narrow, everything opened",
                        new Browser.NewContextOptions().setViewportSize(NARROW, 844).setColorScheme(ColorScheme.DARK))));
        return Stream.concat(both, Stream.of(Arguments.of(STUDENT, "dark", wide().setColorScheme(ColorScheme.DARK)),
                Arguments.of(STUDENT, "phone", new Browser.NewContextOptions().setViewportSize(390, 844)),
                Arguments.of(STUDENT, "forced colours", wide().setForcedColors(ForcedColors.ACTIVE))));
    }

    private List<String> pages(String who) {
        String work = "/assignments/" + market().id();
        List<String> pages = new ArrayList<>(List.of("/", "/what-is-checked", "/account"));
        String handIn = "/hand-ins/" + handIns.ofStudent(place(STUDENT)).get(0).id();
        pages.add(handIn);
        if (who.equals(STUDENT)) {
            Stream.of("/kit", "/location", "/pre-check", "/hand-in").map(work::concat).forEach(pages::add);
            return pages;
        }
        Stream.of("/settings", "/plan", "/plan/formats", "/plan/versions", "/plan/next", "/teams", "/hand-out", "/drives", "/locations",
                "/check", "/review", "/mistakes", "/mistakes/hand-out", "/downloads", "/exports", "/log", "/return", "/intake",
                "/students/" + place(STUDENT).student().enrolmentId(), "/students/" + place(STUDENT).student().enrolmentId() + "/kit")
                .map(work::concat).forEach(pages::add);
        String blocked = "/hand-ins/" + handIns.ofStudent(place("noor.thackeray")).get(0).id();
        pages.addAll(List.of("/courses/" + market().courseId(), "/students?q=mar", blocked, handIn + "/slip", handIn + "?as=student",
                handIn + "/file?path=edit/Marsh_A2_v02.otio&at=1:1"));
        return pages;
    }

    @ParameterizedTest(name = "{0}: {1}")
    @MethodSource("ways")
    void nothingIsInTheWay(String who, String name, Browser.NewContextOptions options) throws IOException {
        Page page = signIn(who, options);
        boolean narrow = page.viewportSize().width == NARROW;
        for (String path : pages(who)) {
            Response answer = goTo(page, address(path));
            assertThat(answer.status()).as(path).isEqualTo(200);
            if (narrow) {
                page.evaluate(
                        "() => document.querySelectorAll('details').forEach(one => { one.removeAttribute('name'); one.open = true; })");
            }
            List<String> found = audited(page);
            if (name.equals("light")) {
                found.addAll(misread(answer.text()));
            }
            if (narrow || name.equals("light")) {
                // What these rules ask is the same whichever the colours or the width between.
                found.addAll(violations(page));
            }
            assertThat(found).as(name + " " + path).isEmpty();
        }
    }

    /** Where the source of a page says something that a reader of HTML has to guess about (HTML, section 13.2.2). */
    private static List<String> misread(String html) {
        Parser parser = Parser.htmlParser().setTrackErrors(20);
        parser.parseInput(html, "");
        return parser.getErrors().stream().map(ParseError::toString).toList();
    }

    @SuppressWarnings("unchecked")
    private static List<String> audited(Page page) throws IOException {
        try (InputStream script = EveryPageTest.class.getResourceAsStream("audit.js")) {
            String text = new String(script.readAllBytes(), StandardCharsets.UTF_8);
            return new ArrayList<>((List<String>) page.evaluate(text.substring(text.indexOf('\n') + 1).strip()));
        }
    }

    @Test
    void whatIsChosenShowsWhereTheSystemChoosesTheColours() {
        Page page = signIn(STUDENT, wide().setForcedColors(ForcedColors.ACTIVE));
        goTo(page, address("/assignments/" + market().id() + "/location"));
        String ground = "one => getComputedStyle(one).backgroundColor";
        Object chosen = page.locator(".choices input:checked + span").first().evaluate(ground);
        assertThat(page.locator(".choices input:not(:checked) + span").first().evaluate(ground)).isNotEqualTo(chosen);
        // Drawings take the system's colours too.
        assertThat(page.locator(".path .now line").evaluate("one => getComputedStyle(one).stroke"))
                .isEqualTo(page.evaluate("() => getComputedStyle(document.body).color"));
    }
}
