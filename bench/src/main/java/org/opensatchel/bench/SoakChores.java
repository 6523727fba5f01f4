package org.opensatchel.bench;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.net.Socket;
import java.net.URI;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;

/** What goes on in a school beside handing in: looking, learning, importing, downloading, comparing, printing, and sending slowly. */
final class SoakChores {

    private static final int IN_A_BATCH = 20;
    private static final int SLOW = 60;
    private static final Duration PATIENCE = Duration.ofMinutes(4);
    private static final Pattern NEXT = Pattern.compile("\"next\":\"([^\"]+)\"");
    private static final Pattern CHOICE = Pattern.compile("name=\"(who-[0-9]+)\"[^>]*>.*?<option value=\"([0-9]+)\" selected",
            Pattern.DOTALL);
    private static final Pattern TAKEN = Pattern.compile("([0-9]+) of ([0-9]+) imported");

    private final Soak soak;
    private final Map<String, Integer> ends = new ConcurrentHashMap<>();
    private final ConcurrentLinkedQueue<String> imports = new ConcurrentLinkedQueue<>();

    SoakChores(Soak soak) {
        this.soak = soak;
    }

    /** One time round of something; an exchange that broke off is tried again in the next. */
    private interface Round {
        void go(Soak.Somebody me, int number) throws IOException, InterruptedException;
    }

    List<Runnable> all() {
        return List.of(again(3, this::look), again(5, this::compare), again(10, this::print), again(20, this::learn),
                again(30, this::download),
                again(45, this::bring), this::dawdle);
    }

    private Runnable again(int seconds, Round round) {
        return () -> {
            try {
                Soak.Somebody me = soak.teacher();
                for (int number = 0; !soak.isOver(); number++) {
                    try {
                        round.go(me, number);
                    } catch (IOException gone) {
                        soak.wasAway();
                        me.signIn();
                    }
                    Thread.sleep(seconds * 1_000L);
                }
            } catch (InterruptedException asked) {
                Thread.currentThread().interrupt();
            }
        };
    }

    private void ended(String what) {
        ends.merge(what, 1, Integer::sum);
    }

    /** What came in the first quarter of the time, and has been checked by now. */
    private Stream<Map.Entry<String, String>> earlier() {
        Map<String, String> all = soak.acknowledged();
        return all.entrySet().stream().sorted(Comparator.comparingLong(one -> Long.parseLong(one.getKey().replaceAll("\\D", ""))))
                .limit(all.size() / 4);
    }

    private Optional<String> some(String kind, int number) {
        List<String> known = earlier().filter(one -> one.getValue().endsWith(" " + kind)).map(Map.Entry::getKey).toList();
        return known.isEmpty() ? Optional.empty() : Optional.of(known.get(number % known.size()));
    }

    private void look(Soak.Somebody me, int number) throws IOException, InterruptedException {
        Optional<String> handIn = some(number % 2 == 0 ? "broken" : "sound", number);
        if (handIn.isPresent()) {
            String at = handIn.get() + (number % 2 == 0 ? "/file?path=a.html" : "/picture?path=titles/a.png");
            ended("look " + me.get(at).statusCode());
        }
    }

    private void compare(Soak.Somebody me, int number) throws IOException, InterruptedException {
        Map<String, List<String>> byWho = earlier().collect(Collectors.groupingBy(one -> one.getValue().split(" ")[0], TreeMap::new,
                Collectors.mapping(Map.Entry::getKey, Collectors.toList())));
        List<List<String>> several = byWho.values().stream().filter(mine -> mine.size() > 1).toList();
        if (!several.isEmpty()) {
            List<String> mine = several.get(number % several.size());
            HttpResponse<String> answer = settled(me, mine.get(1) + "/since/" + mine.get(0).replaceAll("\\D", ""));
            ended("compare " + answer.statusCode());
        }
    }

    private void print(Soak.Somebody me, int number) throws IOException, InterruptedException {
        Optional<String> handIn = some("broken", number);
        if (handIn.isPresent()) {
            ended("print " + me.get(handIn.get() + "/report.pdf").statusCode());
        }
    }

    private void learn(Soak.Somebody me, int number) throws IOException, InterruptedException {
        byte[] example = zip(
                Map.of("P/edit/a.kin", document(number, "a"), "P/edit/b.kin", document(number, "b"), "P/media/a.wav", new byte[]{1},
                        "P/media/b.wav", new byte[]{2}));
        Optional<String> next = sent(me, soak.work() + "/plan/formats/example", example);
        if (next.isPresent()) {
            ended("learn " + settled(me, next.get()).statusCode());
        }
    }

    private static byte[] document(int number, String name) {
        return ("<kin n=\"" + number + "\"><clip src=\"../media/" + name + ".wav\"/></kin>").getBytes(StandardCharsets.UTF_8);
    }

    private void download(Soak.Somebody me, int number) throws IOException, InterruptedException {
        HttpResponse<String> answer = me.post(soak.work() + "/downloads", Map.of("what", "all"));
        if (answer.uri().getPath().matches(".*/downloads/[0-9]+")) {
            answer = settled(me, answer.uri().getPath());
            if (answer.body().contains("/file\"")) {
                answer = me.get(answer.uri().getPath() + "/file");
            }
        }
        ended("download " + (answer.body().startsWith("PK") ? "whole" : answer.statusCode()));
    }

    /** Imports many at once; that each of them was taken in is looked at in the end. */
    private void bring(Soak.Somebody me, int number) throws IOException, InterruptedException {
        Map<String, byte[]> batch = new HashMap<>();
        for (int i = 0; i < IN_A_BATCH; i++) {
            int who = (number * IN_A_BATCH + i) % 200;
            batch.put("Soaker" + who + "_Sam_" + number + ".zip", soak.archive(i % 3 == 0 ? "broken" : "sound"));
        }
        Optional<String> next = sent(me, soak.work() + "/intake", zip(batch));
        if (next.isEmpty()) {
            return;
        }
        Map<String, String> chosen = new HashMap<>();
        Matcher choice = CHOICE.matcher(settled(me, next.get()).body());
        while (choice.find()) {
            chosen.put(choice.group(1), choice.group(2));
        }
        if (chosen.size() == IN_A_BATCH && me.post(next.get() + "/take", chosen).statusCode() == 200) {
            imports.add(next.get());
        } else {
            ended("import not begun: " + chosen.size() + " known");
        }
    }

    private Optional<String> sent(Soak.Somebody me, String to, byte[] body) throws IOException, InterruptedException {
        HttpResponse<String> answer = me.http.send(HttpRequest.newBuilder(URI.create(soak.base() + to)).timeout(Duration.ofMinutes(1))
                .header("Content-Type", "application/zip").header("X-CSRF-TOKEN", me.token).header("X-File-Name", "x.zip")
                .header("X-Whole", "1")
                .POST(HttpRequest.BodyPublishers.ofByteArray(body)).build(), HttpResponse.BodyHandlers.ofString());
        Matcher next = NEXT.matcher(answer.body());
        if (answer.statusCode() == 200 && next.find()) {
            return Optional.of(next.group(1));
        }
        if (answer.statusCode() == 403 || answer.statusCode() == 200) {
            me.signIn();
        }
        return Optional.empty();
    }

    /** A page that says how far it is until it has what was asked for. */
    private HttpResponse<String> settled(Soak.Somebody me, String at) throws IOException, InterruptedException {
        long begun = System.nanoTime();
        HttpResponse<String> answer = me.get(at);
        while (System.nanoTime() - begun < PATIENCE.toNanos()
                && answer.headers().firstValue("Refresh").filter(refresh -> !refresh.endsWith("/file")).isPresent()) {
            Thread.sleep(1_000);
            answer = me.get(at);
        }
        return answer;
    }

    /** Sends a byte now and then, over many connections, and reads nothing. */
    private void dawdle() {
        List<Socket> open = new ArrayList<>();
        URI at = URI.create(soak.base());
        try {
            while (!soak.isOver()) {
                open.removeIf(socket -> !dawdled(socket));
                while (open.size() < SLOW) {
                    begun(at, open.size() % 2 == 0).ifPresentOrElse(open::add, soak::wasAway);
                    if (soak.isOver() || open.isEmpty()) {
                        break;
                    }
                }
                Thread.sleep(3_000);
            }
        } catch (InterruptedException asked) {
            Thread.currentThread().interrupt();
        } finally {
            open.forEach(SoakChores::closed);
        }
    }

    private Optional<Socket> begun(URI at, boolean form) {
        try {
            Socket socket = new Socket(at.getHost(), at.getPort());
            socket.getOutputStream().write((form
                    ? "POST /sign-in HTTP/1.1\r\nHost: x\r\nContent-Type: application/x-www-form-urlencoded\r\nContent-Length: 20000\r\n\r\n"
                    : "GET /sign-in HTTP/1.1\r\nHost: x\r\nX-Slow: ").getBytes(StandardCharsets.US_ASCII));
            return Optional.of(socket);
        } catch (IOException gone) {
            return Optional.empty();
        }
    }

    private boolean dawdled(Socket socket) {
        try {
            socket.getOutputStream().write('a');
            InputStream in = socket.getInputStream();
            if (in.available() > 0) {
                throw new IOException("it was answered");
            }
            return true;
        } catch (IOException ended) {
            ended("slow sender ended");
            closed(socket);
            return false;
        }
    }

    private static void closed(Socket socket) {
        try {
            socket.close();
        } catch (IOException gone) {
            // It is closed.
        }
    }

    private static byte[] zip(Map<String, byte[]> files) throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (ZipOutputStream out = new ZipOutputStream(bytes)) {
            for (Map.Entry<String, byte[]> file : new TreeMap<>(files).entrySet()) {
                out.putNextEntry(new ZipEntry(file.getKey()));
                out.write(file.getValue());
                out.closeEntry();
            }
        }
        return bytes.toByteArray();
    }

    /** Prints what came of it; whether every import that was begun took in all that it should. */
    boolean told(Soak.Somebody teacher) throws InterruptedException {
        Soak.line("chores", new TreeMap<>(ends));
        int whole = 0;
        Map<String, Integer> others = new TreeMap<>();
        for (String one : imports) {
            String counts = taken(teacher, one);
            if (counts.equals(IN_A_BATCH + " of " + IN_A_BATCH)) {
                whole++;
            } else {
                others.merge(counts, 1, Integer::sum);
            }
        }
        Soak.line("imports of " + IN_A_BATCH + ", begun / taken in whole",
                imports.size() + " / " + whole + (others.isEmpty() ? "" : " " + others));
        return whole == imports.size();
    }

    private String taken(Soak.Somebody teacher, String intake) throws InterruptedException {
        String counts = "";
        for (int i = 0; i < 120; i++) {
            Matcher taken = TAKEN.matcher(teacher.page(intake).body());
            counts = taken.find() ? taken.group(1) + " of " + taken.group(2) : "unknown";
            if (counts.equals(IN_A_BATCH + " of " + IN_A_BATCH)) {
                break;
            }
            Thread.sleep(1_000);
        }
        return counts;
    }
}
