package org.opensatchel.web.http;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.opensatchel.web.Asking;
import org.opensatchel.web.RunningApplication;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.data.domain.Pageable;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.web.bind.annotation.RequestMethod;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;

/** Every parameter of every route with what nobody would type: whatever comes back, it is never told as a fault of ours. */
class EveryRouteTest extends RunningApplication {

    private static final List<String> VALUES = List.of("\0", "a\0b", "", " ", "-1", "0", "9223372036854775807", "99999999999999999999999",
            "-9223372036854775808", "1e9", "NaN", "%", "%00", "../../etc/passwd", "\uD800",
            "\u202Eabc", "<script>", "' or 1=1 --", "x".repeat(50_000), "true", "[]", "{}", "ä".repeat(300), "2027-13-45T99:99",
            "\r\nSet-Cookie: a=b");

    /** For what is a number, a yes or no or one of a few words: those that are read as such, and some that are not. */
    private static final List<String> BOUND = List.of("-1", "0", "9223372036854775807", "-9223372036854775808", "99999999999999999999999",
            "1e9", "", "%00", "true");

    /** None of them is a yes or a no: the student's own hand-in goes on counting. */
    private static final List<String> FEW = List.of("a\0b", "", "-1", "99999999999999999999999", "%00", "\u202Eabc", "x".repeat(50_000),
            "{}");

    private static final List<String> BODIES = List.of("--x\r\n\r\n", "x".repeat(100_000), "", "{}", "null", "[]", "{\"document\": null}",
            "{\"document\": {}, \"revision\": -1}", "{\"document\": \"\\u0000\"}", "PK\u0003\u0004");

    @Autowired
    @Qualifier("requestMappingHandlerMapping")
    private RequestMappingHandlerMapping routes;
    @Autowired
    private JdbcTemplate database;

    private List<Route> all() {
        return Route.all(routes);
    }

    /** What a parameter holds while another one is tried. */
    private Map<String, String> usual() {
        long handIn = handIns.ofAssignment(market(), Pageable.unpaged()).getContent().get(0).id();
        Map<String, String> out = new LinkedHashMap<>();
        out.put("id", Long.toString(market().id()));
        out.put("handInId", Long.toString(handIn));
        out.put("enrolmentId", Long.toString(place("ottoline.marsh").student().enrolmentId()));
        return out;
    }

    private static final List<String> TABLES = List.of("drive_load", "collection", "project_location", "kit_draft", "course");
    private final Map<String, Long> before = new LinkedHashMap<>();

    @BeforeEach
    void remember() {
        TABLES.forEach(table -> before.put(table, database.queryForObject("select coalesce(max(id), 0) from " + table, Long.class)));
    }

    /** Some values are good ones for somebody; other tests compare what the demo did, and nothing beside it. */
    @AfterEach
    void takeAway() {
        nothingIsDecided(database);
        database.update("delete from team_member");
        database.update("delete from team");
        database.update("delete from course_instructor where course_id > ?", before.get("course"));
        before.forEach((table, last) -> database.update("delete from " + table + " where id > ?", last));
    }

    @Test
    void noBodyOfAnyRouteIsAFaultOfOurs() {
        Set<String> ours = new TreeSet<>();
        Asking asking = Asking.as(signIn("quillfeather"));
        Map<String, String> usual = usual();
        for (Route route : all()) {
            Set<String> types = new TreeSet<>(Set.of("multipart/form-data; boundary=x", "nonsense/\u00e9"));
            types.addAll(route.takes().isEmpty() ? Set.of("application/json", "text/csv") : route.takes());
            for (String type : route.method() == RequestMethod.POST ? types : Set.<String>of()) {
                // What is not taken is refused by its type, whatever is in it.
                for (String body : route.takes().contains(type) ? BODIES : BODIES.subList(0, 2)) {
                    String path = route.pattern();
                    for (String name : route.path()) {
                        path = path.replaceAll("\\{" + name + "(:[^}]*)?\\}", usual.getOrDefault(name, "1"));
                    }
                    int status = asking.send("POST", address(path), type, body.getBytes(StandardCharsets.UTF_8)).statusCode();
                    if (status >= 500) {
                        ours.add(status + " " + route.pattern() + " " + type + " " + body.substring(0, Math.min(20, body.length())));
                    }
                }
            }
        }
        assertThat(ours).isEmpty();
    }

    @Test
    void noValueOfAnyParameterIsAFaultOfOurs() {
        Set<String> ours = new TreeSet<>();
        int asked = 0;
        for (String login : List.of("quillfeather", "noor.thackeray")) {
            Asking asking = Asking.as(signIn(login));
            Map<String, String> usual = usual();
            for (Route route : all()) {
                // What would end the session, or change what other tests look at, is tried with wrong values of other parameters alone.
                List<String> names = new ArrayList<>(route.path());
                names.addAll(route.fields());
                for (String name : names.isEmpty() ? List.of("") : names) {
                    // A student is let in at few routes, and refused at the others before anything is read: a few values show that.
                    List<String> tried = !login.equals("quillfeather") ? FEW : route.texts().contains(name) ? VALUES : BOUND;
                    for (String value : tried) {
                        asked++;
                        int status = status(asking, route, name, value, usual);
                        if (status >= 500) {
                            ours.add(status + " " + login + " " + route.method() + " " + route.pattern() + " " + name + "="
                                    + value.substring(0, Math.min(20, value.length())).replace('\0', '0'));
                        }
                    }
                }
            }
        }
        assertThat(asked).isGreaterThan(2_000);
        assertThat(ours).isEmpty();
    }

    private int status(Asking asking, Route route, String tried, String value, Map<String, String> usual) {
        String path = route.pattern();
        for (String name : route.path()) {
            path = path.replaceAll("\\{" + name + "(:[^}]*)?\\}", java.util.regex.Matcher
                    .quoteReplacement(Asking.encoded(name.equals(tried) ? value : usual.getOrDefault(name, "1"))));
        }
        // The others are wrong too, so that nothing is really changed.
        return asking.form(route.method().name(), address(path),
                route.fields().stream().map(name -> Map.entry(name, name.equals(tried) ? value : "1")).toList()).statusCode();
    }
}
