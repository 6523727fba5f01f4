package org.opensatchel.web.http;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import java.io.IOException;
import java.lang.reflect.Parameter;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.opensatchel.web.Asking;
import org.opensatchel.web.RunningApplication;
import org.opensatchel.web.account.Role;
import org.opensatchel.web.handin.HandInView;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.RequestMethod;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.method.HandlerMethod;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;

/**
 * Every route with every role: the table in {@code access.txt} says who is let in, and a route that is not in it fails. What is refused is
 * not there (404), sent to sign in, or forbidden; what is let in may still be told that its form is wrong.
 */
class AccessTest extends RunningApplication {

    /** Who asks, in the order of the table's columns. */
    private enum Who {
        ANONYMOUS(""),
        STUDENT("odile.marsh"),
        OWNER_OF_IT("ottoline.marsh"),
        TEAM_MATE("juno.fairweather"),
        ASSISTANT("access.assistant"),
        OTHER_INSTRUCTOR("access.other"),
        OWNER("quillfeather");

        private final String login;

        Who(String login) {
            this.login = login;
        }
    }

    @Autowired
    @Qualifier("requestMappingHandlerMapping")
    private RequestMappingHandlerMapping routes;
    @Autowired
    private JdbcTemplate database;
    private final List<Long> made = new ArrayList<>();

    /** What fields hold where a number would be no value of theirs. */
    private static final Map<String, String> GOOD = Map.of("scope", "HAND_IN", "counts", "false", "graded", "false", "family", "link",
            "system",
            "WINDOWS", "storage", "REMOVABLE");

    @BeforeEach
    void people() {
        long assistant = accounts.create("access.assistant", "A. Assistant", PASSWORD, Role.INSTRUCTOR);
        long other = accounts.create("access.other", "O. Other", PASSWORD, Role.INSTRUCTOR);
        made.addAll(List.of(assistant, other));
        database.update("insert into course_instructor (course_id, account_id, role) values (?, ?, 'ASSISTANT')", market().courseId(),
                assistant);
        long course = courses.createCourse("ACC 1", "Another Course", "", other);
        made.add(course);
        long team = database.queryForObject("insert into team (assignment_id, name) values (?, 'access') returning id", Long.class,
                market().id());
        for (String login : List.of("ottoline.marsh", "juno.fairweather")) {
            database.update("insert into team_member (team_id, enrolment_id) values (?, ?)", team, place(login).student().enrolmentId());
        }
    }

    @AfterEach
    void goneAgain() {
        nothingIsDecided(database);
        database.update("delete from team_member where team_id in (select id from team where name = 'access')");
        database.update("delete from team where name = 'access'");
        database.update("delete from course_instructor where course_id = ? or account_id = ?", made.get(2), made.get(0));
        database.update("delete from course where id = ?", made.get(2));
        database.update("delete from account where id in (?, ?)", made.get(0), made.get(1));
    }

    /** The table: {@code METHOD pattern  letters}, a letter for each role that is let in. */
    private static Map<String, String> table() throws IOException {
        Map<String, String> out = new LinkedHashMap<>();
        String text = new String(AccessTest.class.getResourceAsStream("access.txt").readAllBytes(), StandardCharsets.UTF_8);
        text.lines().filter(line -> !line.isBlank() && !line.startsWith("#")).forEach(line -> {
            String[] parts = line.strip().split("\\s+");
            out.put(parts[0] + " " + parts[1], parts.length > 2 ? parts[2] : "-");
        });
        return out;
    }

    /**
     * What a route takes.
     *
     * @param takes the type of its body, empty for a form
     */
    private record Route(Set<String> fields, String takes) {}

    private Map<String, Route> all() {
        Map<String, Route> out = new TreeMap<>();
        routes.getHandlerMethods().forEach((route, handler) -> {
            Set<RequestMethod> methods = route.getMethodsCondition().getMethods();
            String takes = route.getConsumesCondition().getConsumableMediaTypes().stream().map(Object::toString)
                    .filter(type -> !type.contains("form")).findFirst().orElse("");
            for (String pattern : route.getPatternValues()) {
                for (RequestMethod method : methods.isEmpty() ? Set.of(RequestMethod.GET) : methods) {
                    out.merge(method + " " + pattern, new Route(fields(handler), takes), (a, b) -> a.takes.isEmpty() ? a : b);
                }
            }
        });
        return out;
    }

    private static Set<String> fields(HandlerMethod handler) {
        Set<String> out = new TreeSet<>();
        for (Parameter parameter : handler.getMethod().getParameters()) {
            RequestParam field = parameter.getAnnotation(RequestParam.class);
            if (field != null && !Map.class.isAssignableFrom(parameter.getType())) {
                String name = field.name().isEmpty() ? field.value() : field.name();
                out.add(name.isEmpty() ? parameter.getName() : name);
            } else if (parameter.isAnnotationPresent(ModelAttribute.class)) {
                Arrays.stream(parameter.getType().getRecordComponents()).forEach(component -> out.add(component.getName()));
            }
        }
        return out;
    }

    @Test
    void everyRouteLetsInWhomTheTableNames() throws IOException {
        Map<String, String> table = table();
        Map<String, Route> all = all();
        assertThat(new TreeSet<>(all.keySet())).as("routes that are in the table").isEqualTo(new TreeSet<>(table.keySet()));
        HandInView handIn = handIns.counting(market()).get(place("ottoline.marsh").student().enrolmentId());
        Map<String, String> ids = Map.of("id", Long.toString(market().id()), "handIn", Long.toString(handIn.id()), "handInId",
                Long.toString(handIn.id()), "enrolmentId", Long.toString(handIn.enrolmentId()), "courseId",
                Long.toString(market().courseId()));
        Set<String> wrong = new TreeSet<>();
        for (Who who : Who.values()) {
            Page page = who == Who.ANONYMOUS ? unknown() : signIn(who.login);
            if (who == Who.ANONYMOUS) {
                goTo(page, address("/sign-in"));
            }
            Asking asking = Asking.as(page);
            for (Map.Entry<String, String> route : table.entrySet()) {
                boolean may = route.getValue().contains(letter(who));
                // What changes something is tried by those alone who may not: that the others may, the tests of each feature show.
                boolean tried = !may || route.getKey().startsWith("GET ");
                if (tried && isLetIn(asking, route.getKey(), all.get(route.getKey()), ids) != may) {
                    wrong.add(who + (may ? " is refused: " : " is let in: ") + route.getKey());
                }
            }
        }
        assertThat(wrong).isEmpty();
    }

    private static String letter(Who who) {
        return switch (who) {
            case ANONYMOUS -> "a";
            case STUDENT -> "s";
            case OWNER_OF_IT -> "h";
            case TEAM_MATE -> "t";
            case ASSISTANT -> "A";
            case OTHER_INSTRUCTOR -> "x";
            case OWNER -> "O";
        };
    }

    private static String value(String field, Map<String, String> ids) {
        return field.equals("hand-in") ? ids.get("handIn") : GOOD.getOrDefault(field, "1");
    }

    private boolean isLetIn(Asking asking, String address, Route route, Map<String, String> ids) {
        String method = address.substring(0, address.indexOf(' '));
        String path = address.substring(address.indexOf(' ') + 1);
        for (Map.Entry<String, String> id : ids.entrySet()) {
            path = path.replace("{" + id.getKey() + "}", id.getValue());
        }
        // What else an address names does not exist.
        path = path.replace("{number}", "1").replaceAll("\\{[^}]*\\}", "999999999").replace("/courses/" + ids.get("id"),
                "/courses/" + ids.get("courseId"));
        HttpResponse<Void> answer = method.equals("GET") || route.takes.isEmpty()
                ? asking.form(method, address(path), route.fields.stream().map(field -> Map.entry(field, value(field, ids))).toList())
                : asking.send(method, address(path), route.takes,
                        (route.takes.contains("json") ? "{}" : "PK").getBytes(StandardCharsets.US_ASCII));
        boolean toSignIn = answer.statusCode() == 302 && answer.headers().firstValue("location").orElse("").contains("/sign-in");
        // A body that cannot be read is told before anybody asks whose it is.
        return !List.of(400, 403, 404, 415).contains(answer.statusCode()) && !toSignIn;
    }
}
