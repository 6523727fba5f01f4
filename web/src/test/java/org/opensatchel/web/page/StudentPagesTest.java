package org.opensatchel.web.page;

import static org.assertj.core.api.Assertions.assertThat;

import com.deque.html.axecore.playwright.AxeBuilder;
import com.microsoft.playwright.Browser;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.ColorScheme;
import com.microsoft.playwright.options.ForcedColors;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import org.opensatchel.web.RunningApplication;

/** Every page of a student, for whoever cannot see well, works at night, or has nothing but a phone. */
class StudentPagesTest extends RunningApplication {

    private static final String WHO = "ottoline.marsh";

    private static Browser.NewContextOptions wide() {
        return new Browser.NewContextOptions().setViewportSize(1280, 800);
    }

    static Stream<Arguments> ways() {
        return Stream.of(Arguments.of("light", wide()), Arguments.of("dark", wide().setColorScheme(ColorScheme.DARK)),
                Arguments.of("phone", new Browser.NewContextOptions().setViewportSize(390, 844)),
                Arguments.of("forced colours", wide().setForcedColors(ForcedColors.ACTIVE)));
    }

    private List<String> pages() {
        String work = "/assignments/" + market().id();
        long handIn = handIns.ofStudent(place(WHO)).get(0).id();
        return List.of("/", work + "/kit", work + "/location", work + "/pre-check", work + "/hand-in", "/hand-ins/" + handIn,
                "/what-is-checked", "/account");
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("ways")
    void nothingIsInTheWay(String name, Browser.NewContextOptions options) {
        Page page = signIn(WHO, options);
        for (String path : pages()) {
            page.navigate(address(path));
            List<String> violations = new ArrayList<>();
            new AxeBuilder(page).analyze().getViolations()
                    .forEach(rule -> violations.add(rule.getId() + ": " + rule.getNodes().get(0).getHtml()));
            assertThat(violations).as(name + " " + path).isEmpty();
            assertThat((Boolean) page.evaluate("() => document.documentElement.scrollWidth <= document.documentElement.clientWidth"))
                    .as(name + " " + path + " is no wider than the screen").isTrue();
        }
    }
}
