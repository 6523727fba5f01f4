package org.opensatchel.web.http;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static org.awaitility.Awaitility.await;

import com.microsoft.playwright.APIResponse;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.RequestOptions;
import java.io.IOException;
import java.io.OutputStream;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.opensatchel.web.RunningApplication;
import org.opensatchel.web.course.AssignmentView;
import org.opensatchel.web.kit.KitEditor;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.JdbcTemplate;

/** The application under people who press twice, leave, send slowly, or were signed out meanwhile. */
class HoldTest extends RunningApplication {

    private static final int TIMES = 200;

    @Autowired
    private JdbcTemplate database;
    @Autowired
    private KitEditor editor;

    private final List<Socket> sockets = new ArrayList<>();

    @AfterEach
    void tidy() throws IOException {
        for (Socket socket : sockets) {
            socket.close();
        }
        database.update("update enrolment set left_at = null where last_name = 'Quist'");
        database.update("delete from enrolment where course_id in (select id from course where code like 'TWICE%')");
        database.update("delete from course_instructor where course_id in (select id from course where code like 'TWICE%')");
        database.update("update account set made_for = null where made_for in (select id from course where code like 'TWICE%')");
        database.update("delete from course where code like 'TWICE%'");
        database.update(
                "delete from kit_version where assignment_id = (select id from assignment where title = 'Wayfinding Set') and version > 100");
    }

    @Test
    void whoLeftReachesNothingAndWhatTheyHandedInStays() {
        Page student = signIn("annelie.quist");
        long handIn = handIns.ofStudent(place("annelie.quist")).get(0).id();
        database.update("update enrolment set left_at = now() where last_name = 'Quist'");
        String work = "/assignments/" + market().id();
        for (String path : List.of(work + "/kit", work + "/location", work + "/hand-in", "/hand-ins/" + handIn)) {
            assertThat(goTo(student, address(path)).status()).as(path).isEqualTo(404);
        }
        Page page = signIn("quillfeather");
        assertThat(goTo(page, address(work + "/check")).status()).isEqualTo(200);
        assertThat(page.locator("main")).containsText("Quist, Annelie");
        assertThat(goTo(page, address("/hand-ins/" + handIn)).status()).isEqualTo(200);
        String token = page.locator("meta[name=_csrf]").getAttribute("content");
        long enrolment = database.queryForObject("select min(id) from enrolment where last_name = 'Quist'", Long.class);
        assertThat(page.context().request()
                .post(address(work + "/hand-out/" + enrolment + ".zip"), RequestOptions.create().setHeader("X-CSRF-TOKEN", token)).status())
                .isEqualTo(404);
    }

    @Test
    void whatWasTypedWhenTheSessionHadEndedIsKeptAndSentAgain() {
        Page page = signIn("quillfeather");
        page.getByText("New course").click();
        page.getByLabel("Code").fill("KEPT 1");
        page.getByLabel("Title").fill("Kept & “whole”");
        page.context().clearCookies();
        page.getByText("Create course").click();
        assertThat(page.locator(".told")).containsText("What you typed is kept");
        page.fill("#username", "quillfeather");
        page.fill("#password", PASSWORD);
        page.click("main button");
        assertThat(page.locator("h1")).hasText("You are signed in again");
        accessible(page);
        assertThat(page.locator("main")).containsText("It goes to /courses");
        // One click alone sends nothing.
        page.getByLabel("I have looked at this").check();
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Send it now")).click();
        assertThat(page.locator("h1")).hasText("KEPT 1 Kept & “whole”");
    }

    @Test
    void everyStatusHasItsOwnPage() {
        Page page = signIn("noor.thackeray");
        Map<String, Integer> pages = Map.of("/nowhere", 404, "/hand-ins/abc", 400, "/account/password", 405,
                "/assignments/" + market().id() + "/hand-in/room", 400);
        Map<Integer, String> titles = Map.of(404, "Page not found, or no access", 400, "The request could not be understood", 405,
                "This cannot be opened like this");
        pages.forEach((path, status) -> {
            APIResponse answer = page.context().request().get(address(path), RequestOptions.create().setHeader("Accept", "text/html"));
            assertThat(answer.status()).as(path).isEqualTo(status);
            assertThat(answer.text()).contains(titles.get(status)).doesNotContain("Noted on our side", "Exception");
        });
        APIResponse forbidden = page.context().request().post(address("/account/password"),
                RequestOptions.create().setHeader("Accept", "text/html"));
        assertThat(forbidden.status()).isEqualTo(403);
        assertThat(forbidden.text()).contains("This is not allowed");
    }

    @Test
    void wrongPasswordsSlowDownAndSaySo() {
        Page page = unknown();
        for (int i = 0; i < 6; i++) {
            goTo(page, address("/sign-in"));
            page.fill("#username", "nobody.at.all");
            page.fill("#password", "wrong");
            page.click("main button");
        }
        assertThat(page.locator(".told.must")).containsText("Too many wrong passwords one after the other. Wait");
        accessible(page);
    }

    /** A thousand who begin to send something and never end: a page is answered all the same, and so is signing in. */
    @Test
    void slowSendersTakeNoPageFromAnybody() throws IOException {
        for (int i = 0; i < 1_000; i++) {
            Socket socket = new Socket("127.0.0.1", port());
            sockets.add(socket);
            OutputStream out = socket.getOutputStream();
            boolean inHeader = i % 2 == 0;
            out.write(("POST /sign-in HTTP/1.1\r\nHost: x\r\nContent-Type: application/x-www-form-urlencoded\r\nContent-Length: 50\r\n"
                    + (inHeader ? "X-Sl" : "\r\nuser")).getBytes(StandardCharsets.US_ASCII));
            out.flush();
        }
        Page page = unknown();
        page.setDefaultTimeout(15_000);
        assertThat(goTo(page, address("/sign-in")).status()).isEqualTo(200);
        Page reader = signIn("quillfeather");
        assertThat(reader.locator("h1")).hasText("Your courses");
        assertThat(goTo(reader, address("/assignments/" + market().id() + "/review")).status()).isEqualTo(200);
    }

    private void open(String request) throws IOException {
        Socket socket = new Socket();
        socket.setReceiveBufferSize(2_048);
        socket.connect(new java.net.InetSocketAddress("127.0.0.1", port()));
        sockets.add(socket);
        socket.getOutputStream().write(request.getBytes(StandardCharsets.US_ASCII));
        socket.getOutputStream().flush();
    }

    private static String cookies(Page page) {
        return page.context().cookies().stream().map(one -> one.name + "=" + one.value).collect(Collectors.joining("; "));
    }

    private void ask(Page who, int times) throws IOException {
        for (int i = 0; i < times; i++) {
            open("GET / HTTP/1.1\r\nHost: x\r\nCookie: " + cookies(who) + "\r\n\r\n");
        }
    }

    /** Five hundred pages of one person: somebody else's is made among the first, and all are made in the end. */
    @Test
    void whoAsksForVeryManyPagesAtOnceKeepsNobodyElseWaiting() throws IOException {
        Page greedy = signIn("quillfeather");
        Page other = signIn("noor.thackeray");
        ask(greedy, 500);
        assertThat(other.context().request().get(address("/")).status()).isEqualTo(200);
        int unanswered = 0;
        for (Socket socket : sockets) {
            unanswered += socket.getInputStream().available() == 0 ? 1 : 0;
        }
        assertThat(unanswered).isGreaterThan(100);
        for (Socket socket : sockets) {
            socket.setSoTimeout(120_000);
            assertThat(new String(socket.getInputStream().readNBytes(12), StandardCharsets.US_ASCII)).isEqualTo("HTTP/1.1 200");
        }
    }

    /** People who go away while they wait take no turn with them. */
    @Test
    void whoGoesAwayTakesNoTurnWithThem() throws IOException {
        Page greedy = signIn("quillfeather");
        for (int round = 0; round < 2; round++) {
            ask(greedy, 100);
            for (Socket socket : sockets) {
                // Ended at once, as a page does that is left.
                socket.setSoLinger(true, 0);
                socket.close();
            }
            sockets.clear();
        }
        for (int i = 0; i < 20; i++) {
            assertThat(greedy.context().request().get(address("/")).status()).isEqualTo(200);
        }
    }

    /** The same by people who are signed in, with forms and with what scripts send. */
    @Test
    void slowSendersWhoAreSignedInTakeNoPageFromAnybody() throws IOException {
        Page sender = signIn("quillfeather");
        String token = sender.locator("meta[name=_csrf]").getAttribute("content");
        for (int i = 0; i < 300; i++) {
            boolean json = i % 2 == 0;
            open("POST " + (json ? "/assignments/" + market().id() + "/plan/save" : "/courses") + " HTTP/1.1\r\nHost: x\r\nCookie: "
                    + cookies(sender)
                    + "\r\nX-CSRF-TOKEN: " + token + "\r\nContent-Type: "
                    + (json ? "application/json" : "application/x-www-form-urlencoded")
                    + "\r\nContent-Length: 5000\r\n\r\n{");
        }
        Page page = unknown();
        page.setDefaultTimeout(15_000);
        assertThat(goTo(page, address("/sign-in")).status()).isEqualTo(200);
        Page reader = signIn("liv.sorensen");
        assertThat(goTo(reader, address("/assignments/" + market().id() + "/kit")).status()).isEqualTo(200);
    }

    /** Eight at once are one person's; more are refused, in a while and with a sentence, and the connection goes with it. */
    @Test
    void whoSendsTooManyAtOnceIsToldSo() throws IOException {
        Page sender = signIn("quillfeather");
        for (int i = 0; i < 12; i++) {
            open("POST /courses HTTP/1.1\r\nHost: x\r\nCookie: " + cookies(sender)
                    + "\r\nContent-Type: application/x-www-form-urlencoded\r\nContent-Length: 5000\r\n\r\na");
        }
        int refused = 0;
        for (Socket socket : sockets) {
            socket.setSoTimeout(60_000);
            String answer = new String(socket.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
            assertThat(answer).containsIgnoringCase("Connection: close");
            if (answer.startsWith("HTTP/1.1 429")) {
                assertThat(answer).contains("Too much at once");
                refused++;
            } else {
                assertThat(answer).startsWith("HTTP/1.1 408").contains("The connection was too slow");
            }
        }
        assertThat(refused).isEqualTo(4);
    }

    /** Whoever asks for long pages and does not read them holds up nobody who makes one. */
    @Test
    void slowReadersTakeNoPageFromAnybody() throws IOException {
        Page sender = signIn("quillfeather");
        for (int i = 0; i < 250; i++) {
            open("GET /assignments/" + market().id() + "/review HTTP/1.1\r\nHost: x\r\nCookie: " + cookies(sender) + "\r\n\r\n");
        }
        Page page = unknown();
        page.setDefaultTimeout(60_000);
        assertThat(goTo(page, address("/sign-in")).status()).isEqualTo(200);
        Page reader = signIn("liv.sorensen");
        assertThat(goTo(reader, address("/assignments/" + market().id() + "/kit")).status()).isEqualTo(200);
    }

    /** A body that comes in pieces arrives whole, as a form and as JSON. */
    @Test
    void aBodyThatComesInPiecesIsRead() throws Exception {
        Page page = signIn("quillfeather");
        String token = page.locator("meta[name=_csrf]").getAttribute("content");
        String form = "code=TWICE+P&title=In+two+pieces&_csrf=" + java.net.URLEncoder.encode(token, StandardCharsets.UTF_8);
        Socket socket = new Socket("127.0.0.1", port());
        sockets.add(socket);
        OutputStream out = socket.getOutputStream();
        out.write(("POST /courses HTTP/1.1\r\nHost: 127.0.0.1\r\nConnection: close\r\nCookie: " + cookies(page)
                + "\r\nContent-Type: application/x-www-form-urlencoded\r\nContent-Length: " + form.length() + "\r\n\r\n"
                + form.substring(0, 9))
                .getBytes(StandardCharsets.US_ASCII));
        out.flush();
        // The connection is answered meanwhile: what has come so far was read.
        assertThat(goTo(page, address("/")).status()).isEqualTo(200);
        out.write(form.substring(9).getBytes(StandardCharsets.US_ASCII));
        out.flush();
        String answer = new String(socket.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        assertThat(answer).startsWith("HTTP/1.1 302");
        assertThat(database.queryForObject("select title from course where code = 'TWICE P'", String.class)).isEqualTo("In two pieces");
    }

    @Test
    void aStrangersLongBodyIsNotRead() throws IOException {
        APIResponse answer = unknown().request().post(address("/sign-in"), RequestOptions.create().setHeader("Accept", "text/html")
                .setHeader("Content-Type", "application/x-www-form-urlencoded").setData(new byte[300 << 10]));
        assertThat(answer.status()).isEqualTo(413);
        assertThat(answer.text()).contains("This is too large");
    }

    @Test
    void saveAgainstPublishTwoHundredTimes() {
        long instructor = accounts.loadUserByUsername("quillfeather").accountId();
        AssignmentView signs = courses.taughtBy(instructor).stream().filter(one -> one.title().equals("Wayfinding Set")).findFirst()
                .orElseThrow();
        Page page = signIn("quillfeather");
        String token = page.locator("meta[name=_csrf]").getAttribute("content");
        String cookie = page.context().cookies().stream().map(one -> one.name + "=" + one.value).collect(Collectors.joining("; "));
        java.net.http.HttpClient http = java.net.http.HttpClient.newHttpClient();
        for (int i = 0; i < TIMES; i++) {
            KitEditor.Plan plan = editor.plan(signs);
            String body = "{\"document\": " + quoted(new String(plan.document(), StandardCharsets.UTF_8)) + ", \"revision\": "
                    + plan.revision() + ", \"version\": " + plan.published() + "}";
            List<CompletableFuture<java.net.http.HttpResponse<String>>> both = Stream
                    .of("save", "publish",
                            "save")
                    .map(what -> http.sendAsync(
                            java.net.http.HttpRequest
                                    .newBuilder(java.net.URI.create(address("/assignments/" + signs.id() + "/plan/" + what)))
                                    .header("Content-Type", "application/json").header("X-CSRF-TOKEN", token).header("Cookie", cookie)
                                    .POST(java.net.http.HttpRequest.BodyPublishers.ofString(body)).build(),
                            java.net.http.HttpResponse.BodyHandlers.ofString()))
                    .toList();
            assertThat(both.stream().map(one -> one.join().statusCode()).toList()).as("round %d", i).containsOnly(200);
        }
    }

    private static String quoted(String text) {
        return org.opensatchel.base.json.JsonDocuments.MAPPER.writeValueAsString(text);
    }

    @Test
    void twoImportsAtOnceAndTwoClicksAreOne() {
        Page page = signIn("quillfeather");
        String token = page.locator("meta[name=_csrf]").getAttribute("content");
        String cookie = page.context().cookies().stream().map(one -> one.name + "=" + one.value).collect(Collectors.joining("; "));
        java.net.http.HttpClient http = java.net.http.HttpClient.newHttpClient();
        List<Integer> statuses = new ArrayList<>();
        // A button pressed twice: one course, and a sentence for the second.
        for (int i = 0; i < TIMES; i++) {
            String form = "code=TWICE" + i + "&title=T&_csrf=" + token;
            IntStream.range(0, 2).mapToObj(k -> send(http, "/courses", form, cookie)).toList().forEach(one -> statuses.add(one.join()));
        }
        long course = database.queryForObject("select id from course where code = 'TWICE0'", Long.class);
        for (int i = 0; i < TIMES; i++) {
            String table = "Last,First,ID,Email\nMarsh,Ottoline,1,o@x.example\nRudge,Barnaby,2,b@x.example\nNew" + i + ",X," + (i + 10)
                    + ",n" + i + "@x.example";
            java.net.http.HttpResponse<Void> preview = http.sendAsync(
                    request("/courses/" + course + "/roster/paste",
                            "table=" + java.net.URLEncoder.encode(table, StandardCharsets.UTF_8) + "&_csrf=" + token, cookie),
                    java.net.http.HttpResponse.BodyHandlers.discarding()).join();
            String file = preview.headers().firstValue("Location").orElseThrow().replaceAll(".*file=|&.*", "");
            String form = "file=" + file + "&token=" + i + "&_csrf=" + token;
            IntStream.range(0, 3).mapToObj(k -> send(http, "/courses/" + course + "/roster/apply", form, cookie)).toList()
                    .forEach(one -> statuses.add(one.join()));
            int made = i + 1;
            await().atMost(Duration.ofMinutes(1)).pollInterval(Duration.ofMillis(20)).until(() -> database.queryForObject(
                    "select count(*) from roster_import where course_id = ?", Integer.class, course) == made);
        }
        assertThat(statuses).containsOnly(302);
        assertThat(database.queryForObject("select count(*) from enrolment where course_id = ?", Integer.class, course))
                .isEqualTo(TIMES + 2);
        assertThat(database.queryForObject("select count(*) from account where email like 'n%@x.example'", Integer.class)).isEqualTo(TIMES);
        assertThat(database.queryForObject("select count(*) from course where code like 'TWICE%'", Integer.class)).isEqualTo(TIMES);
    }

    private java.net.http.HttpRequest request(String path, String form, String cookie) {
        return java.net.http.HttpRequest.newBuilder(java.net.URI.create(address(path)))
                .header("Content-Type", "application/x-www-form-urlencoded").header("Cookie", cookie)
                .POST(java.net.http.HttpRequest.BodyPublishers.ofString(form)).build();
    }

    private CompletableFuture<Integer> send(java.net.http.HttpClient http, String path, String form, String cookie) {
        return http.sendAsync(request(path, form, cookie), java.net.http.HttpResponse.BodyHandlers.discarding())
                .thenApply(answer -> answer.statusCode());
    }
}
