package org.opensatchel.bench;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
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
import java.util.Arrays;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.atomic.AtomicLong;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import javax.imageio.ImageIO;

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
    private final Map<String, byte[]> archives = new TreeMap<>();
    private final Map<String, String> acknowledged = new ConcurrentHashMap<>();
    private final Map<String, Integer> answers = new ConcurrentHashMap<>();
    private final ConcurrentLinkedQueue<PageTime> pageTimes = new ConcurrentLinkedQueue<>();
    private final AtomicInteger away = new AtomicInteger();
    private final AtomicLong peakServer = new AtomicLong();
    private final AtomicLong peakWorker = new AtomicLong();
    private volatile boolean over;
    private String work;

    private Soak(String base, Path state) {
        this.base = base;
        this.state = state;
    }

    /** Arguments: the address, the minutes, the folder the application runs in. */
    public static void main(String[] arguments) throws Exception {
        System.exit(new Soak(arguments[0], Path.of(arguments[2])).run(Integer.parseInt(arguments[1])) ? 0 : 1);
    }

    private boolean run(int minutes) throws Exception {
        makeArchives();
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

    // What is handed in.

    private void makeArchives() throws IOException {
        Random random = new Random(3);
        archives.put("sound", zip(Map.of("P/edit/page.html", "<img src=\"../titles/a.png\">", "P/titles/a.png", picture())));
        archives.put("broken", zip(Map.of("P/a.html",
                IntStream.range(0, 300).mapToObj(i -> "<img src=\"F:/lost/" + i + ".png\">").collect(Collectors.joining()))));
        archives.put("links", zip(IntStream.range(0, 60).boxed().collect(Collectors.toMap(i -> "P/p" + i + ".html",
                i -> IntStream.range(0, 1_500).mapToObj(k -> "<img src=\"m" + i + "-" + k + ".png\">").collect(Collectors.joining())))));
        archives.put("sums",
                zip(IntStream.range(0, 4).boxed()
                        .collect(Collectors.toMap(i -> "P/" + i + ".css",
                                i -> IntStream.range(0, 8_000)
                                        .mapToObj(k -> "a{b:url(" + "x".repeat(3_960) + Long.toString(random.nextLong(), 36) + ".png)}\n")
                                        .collect(Collectors.joining())))));
        archives.put("entries", zip(IntStream.range(0, 60_000).boxed().collect(Collectors.toMap(i -> "P/files/f" + i + ".txt", i -> ""))));
        byte[] whole = archives.get("links");
        archives.put("cut", Arrays.copyOf(whole, whole.length / 2));
        archives.put("nothing", "this is no archive".getBytes(StandardCharsets.UTF_8));
    }

    /** A small picture, each of its bytes a letter. */
    private static String picture() throws IOException {
        ByteArrayOutputStream png = new ByteArrayOutputStream();
        ImageIO.write(new BufferedImage(40, 30, BufferedImage.TYPE_INT_RGB), "png", png);
        return png.toString(StandardCharsets.ISO_8859_1);
    }

    private static byte[] zip(Map<String, String> files) throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (ZipOutputStream out = new ZipOutputStream(bytes)) {
            for (Map.Entry<String, String> file : new TreeMap<>(files).entrySet()) {
                out.putNextEntry(new ZipEntry(file.getKey()));
                out.write(file.getValue().getBytes(StandardCharsets.ISO_8859_1));
                out.closeEntry();
            }
        }
        return bytes.toByteArray();
    }

    /** Mostly small and nearly right, as in a class; now and then something that nobody would hand in. */
    private static String pick(Random random) {
        int one = random.nextInt(100);
        return one < 60 ? "sound"
                : one < 85 ? "broken" : one < 89 ? "links" : one < 91 ? "sums" : one < 94 ? "entries" : one < 97 ? "cut" : "nothing";
    }

    /**
     * A page that was read.
     *
     * @param path its address, with N for each number
     * @param at when it was there, in milliseconds of the system's clock
     */
    private record PageTime(String path, long at, long millis) {}

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
                Thread.sleep(2_000);
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
                        pageTimes.add(new PageTime(path.replaceAll("[0-9]+", "N"), System.currentTimeMillis(),
                                (System.nanoTime() - begun) / 1_000_000));
                        return answer;
                    } else {
                        answers.merge("page " + answer.statusCode(), 1, Integer::sum);
                        return answer;
                    }
                } catch (IOException gone) {
                    away.incrementAndGet();
                    Thread.sleep(2_000);
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
                handIn(me, pick(random), random);
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
                            .header("X-File-Name", kind + ".zip").POST(HttpRequest.BodyPublishers.ofByteArray(archives.get(kind))).build(),
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
            Thread.sleep(2_000);
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
                Thread.sleep(2_000);
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
        Map<String, Integer> states = new TreeMap<>();
        int lost = 0;
        int open = 0;
        for (String handIn : acknowledged.keySet()) {
            String end = ended(teacher, handIn, begun);
            lost += end.equals("LOST") ? 1 : 0;
            open += end.equals("OPEN") ? 1 : 0;
            states.merge(end, 1, Integer::sum);
        }
        List<String> kills = Files.exists(state.resolve("killed")) ? Files.readAllLines(state.resolve("killed")) : List.of();
        long p95 = quantile(pageTimes, 0.95);
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
        line("pages read", pageTimes.size());
        line("page, ms", quantiles(pageTimes));
        line("  of these up to 30 s after a server or database was killed", quantiles(near(kills, true)));
        line("  of these at any other time", quantiles(near(kills, false)));
        pageTimes.stream().collect(Collectors.groupingBy(PageTime::path, TreeMap::new, Collectors.toList()))
                .forEach((path, some) -> line("  of these " + path, quantiles(some)));
        line("requests while it was away", away);
        line("other answers", new TreeMap<>(answers));
        line("server MB, before / peak / after", serverBefore + " / " + peakServer + " / " + ServerProcess.rss(ServerProcess.pid(state)));
        line("largest worker, MB", peakWorker);
        line("half-written uploads, before / after", diskBefore + " / " + disk());
        boolean whole = chores.told(teacher);
        boolean good = lost == 0 && open == 0 && p95 < 1_000 && whole;
        System.out.println(good ? "It held." : "It did not hold.");
        return good;
    }

    private static long quantile(Collection<PageTime> some, double share) {
        List<Long> sorted = some.stream().map(PageTime::millis).sorted().toList();
        return sorted.isEmpty() ? 0 : sorted.get(Math.min(sorted.size() - 1, (int) (sorted.size() * share)));
    }

    private static String quantiles(Collection<PageTime> some) {
        return "median %d, p95 %d, p99 %d, longest %d, of %d".formatted(quantile(some, 0.5), quantile(some, 0.95), quantile(some, 0.99),
                quantile(some, 1), some.size());
    }

    /** Pages read shortly after what answers them was killed, or the others. */
    private List<PageTime> near(List<String> kills, boolean near) {
        List<Long> times = kills.stream().map(line -> line.split(" ")).filter(line -> !line[0].equals("worker"))
                .map(line -> Long.parseLong(line[1])).toList();
        return pageTimes.stream()
                .filter(page -> near == times.stream().anyMatch(at -> page.at >= at && page.at - page.millis < at + 30_000)).toList();
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
        return archives.get(kind);
    }

    void wasAway() {
        away.incrementAndGet();
    }

    static void line(String what, Object value) {
        System.out.printf("%-40s %s%n", what, value);
    }

    /** How the check of a hand-in ended, waited for up to ten minutes in all. */
    private static String ended(Somebody teacher, String handIn, long begun) throws InterruptedException {
        while (true) {
            HttpResponse<String> answer = teacher.page(handIn + "/progress");
            if (answer.statusCode() == 404) {
                return "LOST";
            }
            String word = answer.body().replaceAll("(?s).*\"state\":\"([A-Z]+)\".*", "$1");
            if (word.equals("DONE") || word.equals("FAILED")) {
                return word;
            }
            if (System.nanoTime() - begun > Duration.ofMinutes(10).toNanos()) {
                return "OPEN";
            }
            Thread.sleep(500);
        }
    }
}
