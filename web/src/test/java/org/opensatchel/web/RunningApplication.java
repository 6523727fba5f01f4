package org.opensatchel.web;

import static org.assertj.core.api.Assertions.assertThat;
import static org.awaitility.Awaitility.await;

import com.deque.html.axecore.playwright.AxeBuilder;
import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import com.microsoft.playwright.PlaywrightException;
import com.microsoft.playwright.Response;
import com.microsoft.playwright.assertions.PlaywrightAssertions;
import com.microsoft.playwright.options.FormData;
import com.microsoft.playwright.options.RequestOptions;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.extension.AfterTestExecutionCallback;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.opensatchel.web.account.AccountService;
import org.opensatchel.web.course.AssignmentView;
import org.opensatchel.web.course.CourseService;
import org.opensatchel.web.handin.HandInService;
import org.opensatchel.web.handin.HandInView;
import org.opensatchel.web.judging.JudgingService;
import org.opensatchel.web.upload.HandInReceiver;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.context.annotation.Import;
import org.springframework.data.domain.Pageable;
import org.springframework.jdbc.core.JdbcTemplate;

/** The whole application with its demo data on the real database, and a real browser before it. One for all tests. */
@SpringBootTest(webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT, properties = {"satchel.demo=true", "satchel.max-upload=6MB"})
@Import(Questions.class)
public abstract class RunningApplication {

    /** What the demo's people sign in with. */
    protected static final String PASSWORD = "market-bell";

    /** Debian's Chromium without what only a window needs: half the work for the same pages. */
    private static final Path BROWSER = Path.of("/usr/bin/chromium-headless-shell");

    private static final Pattern TOKEN = Pattern.compile("name=\"_csrf\" value=\"([^\"]+)\"");

    private static Browser browser;

    @LocalServerPort
    private int port;
    @Autowired
    protected AccountService accounts;
    @Autowired
    protected CourseService courses;
    @Autowired
    protected HandInService handIns;
    @Autowired
    protected HandInReceiver receiver;
    @Autowired
    private JudgingService judging;

    private final List<BrowserContext> contexts = new ArrayList<>();
    private final List<String> complaints = new ArrayList<>();

    /** What stood on the pages when a test failed: what an assertion waited for in vain says little of what came instead. */
    @RegisterExtension
    final AfterTestExecutionCallback whatWasSeen = test -> test.getExecutionException()
            .ifPresent(fault -> contexts.stream().flatMap(context -> context.pages().stream())
                    .forEach(page -> System.err.printf("%s showed %s: %s%n", test.getDisplayName(), page.url(), shortened(page))));

    /** One for all tests of a process, and only where a page is opened; it ends with the process. */
    private static Browser browser() {
        if (browser == null || !browser.isConnected()) {
            // A slow machine is no fault of a page.
            PlaywrightAssertions.setDefaultAssertionTimeout(30_000);
            browser = Playwright.create(new Playwright.CreateOptions().setEnv(Map.of("PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD", "1"))).chromium()
                    .launch(new BrowserType.LaunchOptions().setExecutablePath(BROWSER)
                            .setArgs(List.of("--no-sandbox", "--disable-gpu", "--disable-background-networking",
                                    "--disable-component-update", "--disable-sync", "--no-first-run")));
        }
        return browser;
    }

    @BeforeEach
    protected void demoIsChecked() {
        await().atMost(Duration.ofMinutes(8))
                .until(() -> handIns.ofAssignment(market(), Pageable.unpaged()).stream().allMatch(HandInView::isDone));
    }

    @AfterEach
    protected void closePages() {
        leavePages();
        assertThat(complaints).as("what the browser complained about").isEmpty();
    }

    /** Ends what pages still do, before what they did is taken away. */
    protected void leavePages() {
        contexts.forEach(BrowserContext::close);
        contexts.clear();
    }

    private static String shortened(Page page) {
        String text = page.locator("body").innerText();
        return text.substring(0, Math.min(text.length(), 600)).replaceAll("\\s+", " ");
    }

    /** The Night Market assignment, as its instructor sees it. */
    protected AssignmentView market() {
        long instructor = accounts.loadUserByUsername("quillfeather").accountId();
        return courses.taughtBy(instructor).stream().filter(one -> one.title().equals("Night Market Ident")).findFirst().orElseThrow();
    }

    protected CourseService.Membership place(String login) {
        return courses.forStudent(market().id(), accounts.loadUserByUsername(login).accountId());
    }

    protected String address(String path) {
        return "http://127.0.0.1:" + port + path;
    }

    protected int port() {
        return port;
    }

    /** Somebody who is not signed in. */
    protected Page unknown() {
        BrowserContext context = browser().newContext();
        contexts.add(context);
        return context.newPage();
    }

    protected Page signIn(String login) {
        return signIn(login, new Browser.NewContextOptions().setViewportSize(1280, 800));
    }

    protected Page signIn(String login, String password) {
        return signIn(login, password, new Browser.NewContextOptions().setViewportSize(1280, 800));
    }

    protected Page signIn(String login, Browser.NewContextOptions options) {
        return signIn(login, PASSWORD, options);
    }

    private Page signIn(String login, String password, Browser.NewContextOptions options) {
        BrowserContext context = browser().newContext(options.setAcceptDownloads(true));
        contexts.add(context);
        Page page = context.newPage();
        page.onPageError(complaints::add);
        page.onConsoleMessage(message -> {
            // A refused request is shown to the person; what matters here is our own scripts and the content policy.
            if (message.type().equals("error") && !message.text().startsWith("Failed to load resource")) {
                complaints.add(message.text());
            }
        });
        // By the form's own request: what the page of the form does has tests of its own.
        String form = context.request().get(address("/sign-in")).text();
        Matcher token = TOKEN.matcher(form);
        assertThat(token.find()).as(form).isTrue();
        context.request().post(address("/sign-in"), RequestOptions.create()
                .setForm(FormData.create().set("username", login).set("password", password).set("_csrf", token.group(1))));
        goTo(page, address("/"));
        return page;
    }

    /** Goes to an address, also where the page that is left loads itself anew just then. */
    protected static Response goTo(Page page, String address) {
        try {
            return page.navigate(address);
        } catch (PlaywrightException overtaken) {
            if (!overtaken.getMessage().contains("interrupted by another navigation")) {
                throw overtaken;
            }
            page.waitForLoadState();
            return page.navigate(address);
        }
    }

    /** Takes back whatever instructors decided, wrote and downloaded: each test finds the demo as it was. */
    protected void nothingIsDecided(JdbcTemplate database) {
        List.of("slip", "ruling", "remark", "decision", "given_points", "graded", "audit", "mail", "extension", "intake_item", "intake")
                .forEach(table -> database.update("delete from " + table));
        database.update("update hand_in set judged = false");
        judging.judgeAgain(market().id(), 0, 0);
    }

    /** Nothing serious for whoever cannot see, or cannot use a mouse. */
    protected static void accessible(Page page) {
        assertThat(violations(page).stream().filter(one -> one.matches("(serious|critical) .*")).toList()).as(page.url()).isEmpty();
    }

    /** What stands in somebody's way on a page: how much, by which rule, and the first place. */
    protected static List<String> violations(Page page) {
        try {
            return found(page);
        } catch (PlaywrightException gone) {
            // Pages that show how far something is load themselves anew.
            page.waitForLoadState();
            return found(page);
        }
    }

    @SuppressWarnings("unchecked")
    private static List<String> found(Page page) {
        page.evaluate(AxeBuilder.getAxeScript());
        // Asked for alone: all that is right on a page is much, and takes long on its way.
        return (List<String>) page.evaluate("async () => (await axe.run(document, { resultTypes: ['violations'] })).violations"
                + ".map((one) => `${one.impact} ${one.id}: ${one.nodes[0].html}`)");
    }
}
