package org.opensatchel.web.page;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.APIRequestContext;
import com.microsoft.playwright.APIResponse;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.FormData;
import com.microsoft.playwright.options.RequestOptions;
import java.lang.reflect.Parameter;
import java.net.URLEncoder;
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
import org.opensatchel.web.RunningApplication;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.data.domain.Pageable;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMethod;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.method.HandlerMethod;
import org.springframework.web.servlet.mvc.method.RequestMappingInfo;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;

/** Every parameter of every route with what nobody would type: whatever comes back, it is never told as a fault of ours. */
class EveryRouteTest extends RunningApplication {

    private static final List<String> VALUES = List.of("\0", "a\0b", "", " ", "-1", "0", "9223372036854775807", "99999999999999999999999",
            "-9223372036854775808", "1e9", "NaN", "%", "%00", "../../etc/passwd", "\uD800",
            "\u202Eabc", "<script>", "' or 1=1 --", "x".repeat(50_000), "true", "[]", "{}", "ä".repeat(300), "2027-13-45T99:99",
            "\r\nSet-Cookie: a=b");

    /** None of them is a yes or a no: the student's own hand-in goes on counting. */
    private static final List<String> FEW = List.of("a\0b", "", "-1", "99999999999999999999999", "%00", "\u202Eabc", "x".repeat(50_000),
            "{}");

    @Autowired
    @Qualifier("requestMappingHandlerMapping")
    private RequestMappingHandlerMapping routes;
    @Autowired
    private JdbcTemplate database;

    /** A route with the names of what it takes. */
    private record Route(RequestMethod method, String pattern, List<String> path, List<String> fields) {}

    private List<Route> all() {
        List<Route> out = new ArrayList<>();
        for (Map.Entry<RequestMappingInfo, HandlerMethod> entry : routes.getHandlerMethods().entrySet()) {
            List<String> path = new ArrayList<>();
            List<String> fields = new ArrayList<>();
            for (Parameter parameter : entry.getValue().getMethod().getParameters()) {
                if (parameter.isAnnotationPresent(PathVariable.class)) {
                    path.add(parameter.getName());
                } else if (parameter.isAnnotationPresent(RequestParam.class)) {
                    String name = parameter.getAnnotation(RequestParam.class).name();
                    fields.add(name.isEmpty() ? parameter.getName() : name);
                } else if (parameter.isAnnotationPresent(ModelAttribute.class)) {
                    for (var component : parameter.getType().getRecordComponents()) {
                        fields.add(component.getName());
                    }
                }
            }
            Set<RequestMethod> methods = entry.getKey().getMethodsCondition().getMethods();
            for (String pattern : entry.getKey().getPatternValues()) {
                for (RequestMethod method : methods.isEmpty() ? Set.of(RequestMethod.GET) : methods) {
                    out.add(new Route(method, pattern, path, fields));
                }
            }
        }
        return out;
    }

    /** What a parameter holds while another one is tried. */
    private Map<String, String> usual(Page page) {
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
        Page page = signIn("quillfeather");
        String token = page.locator("meta[name=_csrf]").getAttribute("content");
        Map<String, String> usual = usual(page);
        for (Route route : all()) {
            for (String type : route.method == RequestMethod.POST
                    ? List.of("application/json", "application/zip", "text/csv", "application/octet-stream",
                            "multipart/form-data; boundary=x", "nonsense/\u00e9")
                    : List.<String>of()) {
                for (String body : List.of("", "{}", "null", "[]", "{\"document\": null}", "{\"document\": {}, \"revision\": -1}",
                        "{\"document\": \"\\u0000\"}", "PK\u0003\u0004", "--x\r\n\r\n", "x".repeat(100_000))) {
                    String path = route.pattern;
                    for (String name : route.path) {
                        path = path.replaceAll("\\{" + name + "(:[^}]*)?\\}", usual.getOrDefault(name, "1"));
                    }
                    APIResponse answer = page.context().request()
                            .fetch(address(path), RequestOptions.create().setMethod("POST").setHeader("X-CSRF-TOKEN", token)
                                    .setHeader("Content-Type", type)
                                    .setHeader("X-File-Name", "%ZZ").setMaxRedirects(0).setData(body.getBytes(StandardCharsets.UTF_8)));
                    if (answer.status() >= 500) {
                        ours.add(answer.status() + " " + route.pattern + " " + type + " " + body.substring(0, Math.min(20, body.length())));
                    }
                    answer.dispose();
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
            Page page = signIn(login);
            String token = page.locator("meta[name=_csrf]").getAttribute("content");
            Map<String, String> usual = usual(page);
            for (Route route : all()) {
                // What would end the session, or change what other tests look at, is tried with wrong values of other parameters alone.
                List<String> names = new ArrayList<>(route.path);
                names.addAll(route.fields);
                for (String name : names.isEmpty() ? List.of("") : names) {
                    // A student is let in at few routes, and refused at the others before anything is read: a few values show that.
                    for (String value : login.equals("quillfeather") ? VALUES : FEW) {
                        asked++;
                        int status = status(page.context().request(), route, name, value, usual, token);
                        if (status >= 500) {
                            ours.add(status + " " + login + " " + route.method + " " + route.pattern + " " + name + "="
                                    + value.substring(0, Math.min(20, value.length())).replace('\0', '0'));
                        }
                    }
                }
            }
        }
        assertThat(asked).isGreaterThan(2_000);
        assertThat(ours).isEmpty();
    }

    private int status(APIRequestContext requests, Route route, String tried, String value, Map<String, String> usual, String token) {
        String path = route.pattern;
        for (String name : route.path) {
            path = path.replaceAll("\\{" + name + "(:[^}]*)?\\}",
                    java.util.regex.Matcher.quoteReplacement(encoded(name.equals(tried) ? value : usual.getOrDefault(name, "1"))));
        }
        RequestOptions options = RequestOptions.create().setMethod(route.method.name()).setHeader("X-CSRF-TOKEN", token).setMaxRedirects(0)
                .setHeader("X-File-Name", "a.zip");
        boolean get = route.method == RequestMethod.GET;
        FormData form = FormData.create();
        StringBuilder query = new StringBuilder();
        for (String name : route.fields) {
            // The others are wrong too, so that nothing is really changed.
            String sent = name.equals(tried) ? value : "1";
            form.append(name, sent);
            query.append(query.isEmpty() ? '?' : '&').append(name).append('=').append(encoded(sent));
        }
        if (!get && !route.fields.isEmpty()) {
            options.setForm(form);
        }
        APIResponse answer = requests.fetch(address(path + (get ? query : "")), options);
        try {
            return answer.status();
        } finally {
            answer.dispose();
        }
    }

    private static String encoded(String value) {
        return URLEncoder.encode(value, StandardCharsets.UTF_8);
    }
}
