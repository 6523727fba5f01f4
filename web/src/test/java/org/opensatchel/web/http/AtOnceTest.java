package org.opensatchel.web.http;

import static org.assertj.core.api.Assertions.assertThat;
import static org.awaitility.Awaitility.await;

import com.microsoft.playwright.Page;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.LocalDateTime;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CyclicBarrier;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import java.util.function.Supplier;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.opensatchel.web.Asking;
import org.opensatchel.web.HandingIn;
import org.opensatchel.web.handin.HandInView;

/** What is sent twice in a moment, by a double click or from two windows, happens once; and what two do at once leaves one of both. */
class AtOnceTest extends HandingIn {

    private static final int ROUNDS = 6;

    private final ExecutorService hands = Executors.newFixedThreadPool(4);

    @AfterEach
    void takeAway() {
        hands.shutdownNow();
        nothingIsDecided(database);
        database.update("delete from course_instructor where course_id in (select id from course where code like 'ONCE%')");
        for (String table : List.of("kit_draft", "kit_version")) {
            database.update(
                    "delete from " + table + " where assignment_id in (select a.id from assignment a join course c on c.id = a.course_id "
                            + "where c.code like 'ONCE%')");
        }
        database.update("delete from assignment where course_id in (select id from course where code like 'ONCE%')");
        database.update("delete from enrolment where course_id in (select id from course where code like 'ONCE%')");
        database.update("delete from account where made_for in (select id from course where code like 'ONCE%')");
        database.update("delete from course where code like 'ONCE%'");
    }

    /** Begun in the same moment; what each was answered. */
    private List<Integer> atOnce(List<Supplier<Integer>> requests) throws Exception {
        CyclicBarrier begin = new CyclicBarrier(requests.size());
        List<Future<Integer>> answers = new ArrayList<>();
        for (Supplier<Integer> request : requests) {
            answers.add(hands.submit(() -> {
                begin.await(1, TimeUnit.MINUTES);
                return request.get();
            }));
        }
        List<Integer> out = new ArrayList<>();
        for (Future<Integer> answer : answers) {
            out.add(answer.get(2, TimeUnit.MINUTES));
        }
        return out;
    }

    private long count(String question) {
        return database.queryForObject(question, Long.class);
    }

    private void once(Asking me, String path, Map<String, String> form, String question) throws Exception {
        long before = count(question);
        Supplier<Integer> send = () -> me.form("POST", address(path), List.copyOf(form.entrySet())).statusCode();
        assertThat(atOnce(List.of(send, send, send))).as(path).allMatch(status -> status < 400);
        assertThat(count(question)).as(path).isEqualTo(before + 1);
    }

    private HandInView toFix() {
        return handIns.ofStudent(place("ottoline.marsh")).get(0);
    }

    @Test
    void whatADoubleClickSendsIsDecidedOnce() throws Exception {
        Asking me = Asking.as(signIn("quillfeather"));
        String at = toFix().address();
        long id = toFix().id();
        String due = LocalDateTime.now().plusDays(5).truncatedTo(ChronoUnit.MINUTES).toString();
        once(me, at + "/remarks", Map.of("text", "Look at the third clip.", "severity", "should"),
                "select count(*) from remark where removed_at is null");
        once(me, at + "/accept", Map.of("reason", "fine"), "select count(*) from decision");
        once(me, at + "/ask-again", Map.of("due", due, "reason", "again"), "select count(*) from decision");
        assertThat(count("select count(*) from decision where undone_at is null")).isEqualTo(1);
        once(me, at + "/points", Map.of("points", "9.5", "reason", "late"), "select count(*) from given_points where undone_at is null");
        once(me, at + "/graded", Map.of("graded", "true"), "select count(*) from graded where hand_in_id = " + id);
        Page page = signIn("quillfeather");
        goTo(page, address(at));
        String key = page.locator("form[action$='/rulings'] input[name=key]").first().getAttribute("value");
        String code = page.locator("form[action$='/rulings'] input[name=code]").first().getAttribute("value");
        once(me, at + "/rulings", Map.of("code", code, "key", key, "weight", "waived", "scope", "HAND_IN", "reason", "we said so"),
                "select count(*) from ruling where undone_at is null");
    }

    @Test
    void whatIsMadeTwiceIsThereOnce() throws Exception {
        Asking me = Asking.as(signIn("quillfeather"));
        once(me, "/courses", Map.of("code", "ONCE 1", "title", "Once"), "select count(*) from course where code = 'ONCE 1'");
        long course = count("select id from course where code = 'ONCE 1'");
        String due = LocalDateTime.now().plusDays(9).truncatedTo(ChronoUnit.MINUTES).toString();
        once(me, "/courses/" + course + "/assignments", Map.of("code", "A1", "title", "Lamp", "due", due),
                "select count(*) from assignment where course_id = " + course);
        String table = "Last,First,ID,Sign-in\nOnce,Ada,1,once.ada\n";
        String preview = me.form("POST", address("/courses/" + course + "/roster/paste"), List.of(Map.entry("table", table))).headers()
                .firstValue("Location").orElseThrow();
        String file = preview.replaceAll(".*file=|&.*", "");
        Supplier<Integer> send = () -> me.form("POST", address("/courses/" + course + "/roster/apply"),
                List.of(Map.entry("file", file), Map.entry("token", "once"))).statusCode();
        assertThat(atOnce(List.of(send, send, send))).allMatch(status -> status < 400);
        await().atMost(Duration.ofMinutes(1)).until(() -> count("select count(*) from job where state in ('WAITING', 'RUNNING')") == 0);
        assertThat(count("select count(*) from enrolment where course_id = " + course)).isEqualTo(1);
        assertThat(count("select count(*) from roster_import where course_id = " + course)).isEqualTo(1);
    }

    /** A plan that two windows publish in the same moment has one version more, not two. */
    @Test
    void aPlanIsPublishedOnce() throws Exception {
        Asking me = Asking.as(signIn("quillfeather"));
        me.form("POST", address("/courses"), List.of(Map.entry("code", "ONCE 2"), Map.entry("title", "Once")));
        long course = count("select id from course where code = 'ONCE 2'");
        String due = LocalDateTime.now().plusDays(9).truncatedTo(ChronoUnit.MINUTES).toString();
        me.form("POST", address("/courses/" + course + "/assignments"),
                List.of(Map.entry("code", "A1"), Map.entry("title", "Lamp"), Map.entry("due", due)));
        long assignment = count("select id from assignment where course_id = " + course);
        String kit = "{\"kit\": 1, \"title\": \"Lamp\", \"root\": {\"name\": \"{last}_{first}\"}}";
        Supplier<Integer> publish = () -> me
                .form("POST", address("/assignments/" + assignment + "/plan"), List.of(Map.entry("document", kit),
                        Map.entry("revision", "0"), Map.entry("version", "0"), Map.entry("publish", "yes")))
                .statusCode();
        assertThat(atOnce(List.of(publish, publish, publish))).allMatch(status -> status < 500);
        assertThat(count("select count(*) from kit_version where assignment_id = " + assignment)).isEqualTo(1);
    }

    @Test
    void whatIsSentBackAndTakenBackAtOnceIsOneOfBoth() throws Exception {
        Asking me = Asking.as(signIn("quillfeather"));
        Asking other = Asking.as(signIn("quillfeather"));
        String base = address("/assignments/" + market().id() + "/return/");
        String who = Long.toString(place("ottoline.marsh").student().enrolmentId());
        for (int i = 0; i < ROUNDS; i++) {
            assertThat(atOnce(List.of(() -> me.form("POST", base + "send", List.of(Map.entry("who", who))).statusCode(),
                    () -> other.form("POST", base + "send", List.of(Map.entry("who", who))).statusCode(),
                    () -> other.form("POST", base + "undo", slips()).statusCode()))).allMatch(status -> status < 500);
            assertThat(count(
                    "select count(*) from (select hand_in_id from slip where sent_at is not null group by hand_in_id having count(*) > 1) as twice"))
                    .isZero();
            me.form("POST", base + "undo", slips());
        }
    }

    private List<Map.Entry<String, String>> slips() {
        return database.queryForList("select id from slip where sent_at is not null", Long.class).stream()
                .map(id -> Map.entry("slip", Long.toString(id))).toList();
    }

    @Test
    void whatIsHandedInWhileOthersDecideAndLookIsThere() throws Exception {
        ByteArrayOutputStream zip = new ByteArrayOutputStream();
        try (ZipOutputStream out = new ZipOutputStream(zip)) {
            out.putNextEntry(new ZipEntry("MOV120_A2_Marsh_Odile/a.html"));
            out.write("<img src=\"F:/lost/bell.png\">".getBytes(StandardCharsets.UTF_8));
        } catch (IOException impossible) {
            throw new IllegalStateException(impossible);
        }
        Asking student = Asking.as(signIn("odile.marsh"));
        Asking me = Asking.as(signIn("quillfeather"));
        String work = "/assignments/" + market().id();
        long before = handIns.ofStudent(place("odile.marsh")).size();
        for (int i = 0; i < ROUNDS; i++) {
            String at = handIns.ofStudent(place("odile.marsh")).get(0).address();
            assertThat(atOnce(List.of(
                    () -> student.send("POST", address(work + "/hand-in"), "application/zip", zip.toByteArray()).statusCode(),
                    () -> student.send("POST", address(work + "/hand-in"), "application/zip", zip.toByteArray()).statusCode(),
                    () -> me.form("POST", address(at + "/accept"), List.of(Map.entry("reason", ""))).statusCode(),
                    () -> me.form("GET", address(work + "/review"), List.of()).statusCode()))).allMatch(status -> status < 500);
        }
        List<HandInView> all = handIns.ofStudent(place("odile.marsh"));
        assertThat(all).hasSize((int) before + 2 * ROUNDS);
        assertThat(all.stream().map(HandInView::number).distinct()).hasSameSizeAs(all);
        await().atMost(Duration.ofMinutes(2)).until(() -> handIns.ofStudent(place("odile.marsh")).stream().allMatch(HandInView::isDone));
    }
}
