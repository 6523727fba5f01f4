package org.opensatchel.bench;

import java.io.IOException;
import java.net.CookieManager;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.atomic.AtomicLong;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

/**
 * A school of two hundred students under load while its parts are killed (scripts/soak.sh does that): whatever was
 * acknowledged has to be there at the end, and checked.
 */
public final class Soak {

    private static final int STUDENTS = 200;
    private static final int READERS = 4;
    private static final Pattern CSRF = Pattern.compile("name=\"_csrf\" content=\"([^\"]+)\"");
    private static final Pattern SLIP = Pattern.compile("/welcome/([a-z0-9-]+)</p>.*?<b class=\"name\">([^<]+)</b>", Pattern.DOTALL);

    private final String base;
    private final Path state;
    private final Random seeds = new Random(11);
    private final SoakArchives archives;
    private final Map<String, String> acknowledged = new ConcurrentHashMap<>();
    private final Map<String, Integer> answers = new ConcurrentHashMap<>();
    private final PageTimes pageTimes = new PageTimes();
    private final AtomicInteger away = new AtomicInteger();
    private final AtomicLong peakServer = new AtomicLong();
    private final AtomicLong peakWorker = new AtomicLong();
    private volatile boolean over;
    private String work;

    private Soak(String base, Path state) throws IOException {
        this.archives = new SoakArchives();
        this.base = base;
        this.state = state;
    }

    /** Arguments: the address, the minutes, the folder the application runs in. */
    public static void main(String[] arguments) throws Exception {
        System.exit(new Soak(arguments[0], Path.of(arguments[2])).run(Integer.parseInt(arguments[1])) ? 0 : 1);
    }

    private boolean run(int minutes) throws Exception {
        Map<String, String> passwords = makeSchool();
        long serverBefore = ServerProcess.rss(ServerProcess.pid(state));
        long diskBefore = disk();
        Files.createFile(state.resolve("begun"));
        List<Thread> people = new ArrayList<>();
        passwords.forEach((login, password) -> people.add(begin(() -> study(login, password, new Random(seeds.nextLong())))));
        IntStream.range(0, READERS).forEach(i -> people.add(begin(() -> teach(i))));
        SoakChores chores = new SoakChores(this);
        chores.all().forEach(chore -> people.add(begin(chore)));
        Thread scales = begin(this::weigh);
        Thread.sleep(Duration.ofMinutes(minutes).toMillis());
        over = true;
        Files.createFile(state.resolve("calm"));
        for (Thread one : people) {
            one.join();
        }
        scales.join();
        return told(minutes, serverBefore, diskBefore, chores);
    }

    private static Thread begin(Runnable work) {
        Thread thread = new Thread(work);
        thread.start();
        return thread;
    }

    // The school.

    /** A browser of somebody. */
    final class Somebody {
        final HttpClient http = HttpClient.newBuilder().cookieHandler(new CookieManager())
                .followRedirects(HttpClient.Redirect.NORMAL).connectTimeout(Duration.ofSeconds(10)).build();
        private final String login;
        private final String password;
        String token = "";

        Somebody(String login, String password) {
            this.login = login;
            this.password = password;
        }

        HttpResponse<String> get(String path) throws IOException, InterruptedException {
            return http.send(HttpRequest.newBuilder(URI.create(base + path)).timeout(Duration.ofSeconds(30))
                    .header("Accept", "text/html,*/*").build(), HttpResponse.BodyHandlers.ofString());
        }

        HttpResponse<String> post(String path, Map<String, String> form) throws IOException, InterruptedException {
            String body = form.entrySet().stream().map(one -> encoded(one.getKey()) + "=" + encoded(one.getValue()))
                    .collect(Collectors.joining("&"));
            return http.send(HttpRequest.newBuilder(URI.create(base + path)).timeout(Duration.ofSeconds(60))
                    .header("Content-Type", "application/x-www-form-urlencoded").header("X-CSRF-TOKEN", token)
                    .POST(HttpRequest.BodyPublishers.ofString(body)).build(), HttpResponse.BodyHandlers.ofString());
        }

        /** Signs in until it works: the server may be away. */
        void signIn() throws InterruptedException {
            while (true) {
                try {
                    token = token(get("/sign-in").body());
                    HttpResponse<String> in = post("/sign-in", Map.of("username", login, "password", password));
                    if (in.statusCode() == 200 && !in.uri().getPath().equals("/sign-in")) {
                        token = token(in.body());
                        return;
                    }
                } catch (IOException | IllegalStateException gone) {
                    away.incrementAndGet();
                }
                Thread.sleep(10_000);
            }
        }

        /** A page, timed when it came. */
        HttpResponse<String> page(String path) throws InterruptedException {
            while (true) {
                try {
                    long begun = System.nanoTime();
                    HttpResponse<String> answer = get(path);
                    if (answer.uri().getPath().equals("/sign-in")) {
                        signIn();
                    } else if (answer.statusCode() == 200) {
                        pageTimes.add(path, (System.nanoTime() - begun) / 1_000_000);
                        return answer;
                    } else {
                        answers.merge("page " + answer.statusCode(), 1, Integer::sum);
                        return answer;
                    }
                } catch (IOException gone) {
                    away.incrementAndGet();
                    Thread.sleep(10_000);
                }
            }
        }
    }

    private static String token(String page) {
        Matcher matcher = CSRF.matcher(page);
        if (!matcher.find()) {
            throw new IllegalStateException("no token on this page");
        }
        return matcher.group(1);
    }

    private static String encoded(String text) {
        return URLEncoder.encode(text, StandardCharsets.UTF_8);
    }

    /** A course with two hundred students, each of whom chooses a password by their slip; returns the passwords. */
    private Map<String, String> makeSchool() throws Exception {
        Somebody teacher = new Somebody("quillfeather", "market-bell");
        teacher.signIn();
        String course = teacher.post("/courses", Map.of("code", "SOAK 1", "title", "Soak")).uri().getPath();
        importRoster(teacher, course, STUDENTS);
        String slips = teacher.post(course + "/sign-in-slips", Map.of()).body();
        Map<String, String> passwords = new ConcurrentHashMap<>();
        Matcher matcher = SLIP.matcher(slips);
        while (matcher.find()) {
            Somebody student = new Somebody(matcher.group(2), "soak-and-wring-" + passwords.size());
            student.token = token(student.get("/welcome/" + matcher.group(1)).body());
            student.post("/welcome/" + matcher.group(1), Map.of("password", student.password));
            passwords.put(student.login, student.password);
        }
        String plan = teacher.post(course + "/assignments", Map.of("code", "S1", "title", "Soak", "due", "2030-01-01T12:00")).uri()
                .getPath();
        work = plan.replace("/plan", "");
        String kit = "{\"kit\": 1, \"title\": \"Soak\", \"assignment\": \"S1\", \"root\": {\"name\": \"{last}_{first}\"}, \"folders\": [{\"path\": \"edit\", \"purpose\": \"Pages\"}], \"machines\": [\"lab-windows\", \"lab-mac\"]}";
        int published = teacher.post(plan, Map.of("document", kit, "revision", "0", "version", "0", "publish", "yes")).statusCode();
        System.out.println(passwords.size() + " students chose their passwords; the kit was published (" + published + ").");
        return passwords;
    }

    private static void importRoster(Somebody teacher, String course, int students) throws IOException, InterruptedException {
        String table = "Last,First,ID\n"
                + IntStream.range(0, students).mapToObj(i -> "Soaker" + i + ",Sam," + i).collect(Collectors.joining("\n"));
        URI preview = teacher.post(course + "/roster/paste", Map.of("table", table)).uri();
        Matcher file = Pattern.compile("file=([0-9a-f]{64})").matcher(String.valueOf(preview.getQuery()));
        // What is still being read is asked for again.
        for (int i = 0; file.find(0) && i < 20; i++) {
            if (teacher.post(course + "/roster/apply", Map.of("file", file.group(1))).uri().getPath().equals(course)) {
                return;
            }
        }
    }

    private void study(String login, String password, Random random) {
        try {
            Somebody me = new Somebody(login, password);
            Thread.sleep(random.nextInt(60_000));
            me.signIn();
            while (!over) {
                me.page(work + "/hand-in");
                handIn(me, SoakArchives.pick(random), random);
                Thread.sleep(45_000 + random.nextInt(120_000));
            }
        } catch (InterruptedException asked) {
            Thread.currentThread().interrupt();
        }
    }

    private void handIn(Somebody me, String kind, Random random) throws InterruptedException {
        try {
            HttpResponse<String> answer = me.http.send(
                    HttpRequest.newBuilder(URI.create(base + work + "/hand-in")).timeout(Duration.ofMinutes(2))
                            .header("Content-Type", "application/zip").header("X-CSRF-TOKEN", me.token)
                            .header("X-File-Name", kind + ".zip").POST(HttpRequest.BodyPublishers.ofByteArray(archives.of(kind))).build(),
                    HttpResponse.BodyHandlers.ofString());
            Matcher next = Pattern.compile("\"next\":\"(/hand-ins/[0-9]+)\"").matcher(answer.body());
            if (answer.statusCode() == 200 && next.find()) {
                acknowledged.put(next.group(1), me.login + " " + kind);
                Thread.sleep(random.nextInt(5_000));
                me.page(next.group(1));
            } else {
                answers.merge("hand-in " + answer.statusCode(), 1, Integer::sum);
                if (answer.statusCode() == 403 || answer.statusCode() == 200) {
                    me.signIn();
                }
            }
        } catch (IOException gone) {
            away.incrementAndGet();
            Thread.sleep(10_000);
        }
    }

    private void teach(int number) {
        try {
            Somebody me = new Somebody("quillfeather", "market-bell");
            me.signIn();
            String course = "/courses/" + me.page("/").body().replaceAll("(?s).*href=\"/courses/([0-9]+)\">SOAK 1.*", "$1");
            for (int round = number; !over; round++) {
                me.page(work + "/review");
                me.page(work + "/check");
                List<String> known = new ArrayList<>(acknowledged.keySet());
                if (!known.isEmpty()) {
                    me.page(known.get(round % known.size()));
                }
                if (round % 10 == 0) {
                    try {
                        importRoster(me, course, STUDENTS);
                    } catch (IOException gone) {
                        away.incrementAndGet();
                    }
                }
                Thread.sleep(10_000);
            }
        } catch (InterruptedException asked) {
            Thread.currentThread().interrupt();
        }
    }

    // What it weighs.

    private void weigh() {
        while (!over) {
            long server = ServerProcess.pid(state);
            peakServer.accumulateAndGet(ServerProcess.rss(server), Math::max);
            ProcessHandle.of(server)
                    .ifPresent(handle -> handle.children()
                            .forEach(worker -> peakWorker.accumulateAndGet(ServerProcess.rss(worker.pid()), Math::max)));
            try {
                Thread.sleep(1_000);
            } catch (InterruptedException asked) {
                return;
            }
        }
    }

    /** What lies half written where uploads come in. */
    private long disk() throws IOException {
        Path incoming = state.resolve("storage/incoming");
        if (!Files.isDirectory(incoming)) {
            return 0;
        }
        try (var files = Files.list(incoming)) {
            return files.count();
        }
    }

    // What is told.

    private boolean told(int minutes, long serverBefore, long diskBefore, SoakChores chores) throws Exception {
        Somebody teacher = new Somebody("quillfeather", "market-bell");
        teacher.signIn();
        long begun = System.nanoTime();
        Map<String, String> ends = ends(teacher);
        Map<String, Long> states = ends.values().stream().collect(Collectors.groupingBy(end -> end, TreeMap::new, Collectors.counting()));
        long lost = states.getOrDefault("LOST", 0L);
        long open = states.getOrDefault("OPEN", 0L);
        List<String> kills = Files.exists(state.resolve("killed")) ? Files.readAllLines(state.resolve("killed")) : List.of();
        Map<String, Long> killed = kills.stream()
                .collect(Collectors.groupingBy(line -> line.split(" ")[0], TreeMap::new, Collectors.counting()));
        line("minutes", minutes);
        line("killed", killed);
        line("hand-ins acknowledged", acknowledged.size());
        line("by kind", acknowledged.values().stream()
                .collect(Collectors.groupingBy(value -> value.replaceAll(".* ", ""), TreeMap::new, Collectors.counting())));
        line("how their checks ended", states);
        line("lost", lost);
        line("checks that stay", open);
        line("seconds until the last was checked", (System.nanoTime() - begun) / 1_000_000_000);
        pageTimes.tell(kills);
        line("requests while it was away", away);
        line("other answers", new TreeMap<>(answers));
        line("server MB, before / peak / after", serverBefore + " / " + peakServer + " / " + ServerProcess.rss(ServerProcess.pid(state)));
        line("largest worker, MB", peakWorker);
        line("half-written uploads, before / after", diskBefore + " / " + disk());
        boolean whole = chores.told(teacher);
        boolean good = lost == 0 && open == 0 && pageTimes.p95() < 1_000 && whole;
        System.out.println(good ? "It held." : "It did not hold.");
        return good;
    }

    /** A browser of who teaches. */
    Somebody teacher() throws InterruptedException {
        Somebody one = new Somebody("quillfeather", "market-bell");
        one.signIn();
        return one;
    }

    boolean isOver() {
        return over;
    }

    String base() {
        return base;
    }

    /** The address of the assignment. */
    String work() {
        return work;
    }

    /** What was acknowledged: whose and of which kind, by its address. */
    Map<String, String> acknowledged() {
        return Map.copyOf(acknowledged);
    }

    byte[] archive(String kind) {
        return archives.of(kind);
    }

    void wasAway() {
        away.incrementAndGet();
    }

    static void line(String what, Object value) {
        System.out.printf("%-40s %s%n", what, value);
    }

    /** How the checks of all hand-ins ended, by their addresses. It is waited for until none of them has ended for ten minutes. */
    private Map<String, String> ends(Somebody teacher) throws InterruptedException {
        Map<String, String> out = new HashMap<>();
        List<String> open = new ArrayList<>(acknowledged.keySet());
        long last = System.nanoTime();
        while (!open.isEmpty() && System.nanoTime() - last < Duration.ofMinutes(10).toNanos()) {
            for (String handIn : List.copyOf(open)) {
                String end = end(teacher, handIn);
                if (!end.equals("OPEN")) {
                    out.put(handIn, end);
                    open.remove(handIn);
                    last = System.nanoTime();
                }
            }
            Thread.sleep(10_000);
        }
        open.forEach(handIn -> out.put(handIn, "OPEN"));
        return out;
    }

    private static String end(Somebody teacher, String handIn) throws InterruptedException {
        HttpResponse<String> answer = teacher.page(handIn + "/progress");
        String word = answer.body().replaceAll("(?s).*\"state\":\"([A-Z]+)\".*", "$1");
        return answer.statusCode() == 404 ? "LOST" : word.equals("DONE") || word.equals("FAILED") ? word : "OPEN";
    }
}
