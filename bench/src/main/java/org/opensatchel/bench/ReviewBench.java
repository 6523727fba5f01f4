package org.opensatchel.bench;

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
import java.util.Arrays;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;

/**
 * The class board of 200 students with 20 hand-ins each and 400,000 findings, and one student's page with 5,000 links, in the running
 * application. Baseline: the sign-in page in the same run. Told: medians, their ratios, and how long the board is when it is compressed; and
 * how long it takes to check the class again, against checking its projects one after another with the command line.
 */
final class ReviewBench {

    private static final int LINKS = 5_000;
    private static final int WARM = 150;
    private static final int TIMES = 60;
    private static final Pattern TOKEN = Pattern.compile("name=\"_csrf\"[^>]*?(?:content|value)=\"([^\"]+)\"");

    /** So many are checked one after another with the command line; the rest takes as long. */
    private static final int ALONE = 20;

    private final String base;
    private final String assignment;
    private final String satchel;

    private ReviewBench(String base, String assignment, String satchel) {
        this.base = base;
        this.assignment = assignment;
        this.satchel = satchel;
    }

    public static void main(String[] args) throws IOException, InterruptedException {
        new ReviewBench(args[0], args[1], args[2]).run();
    }

    private void run() throws IOException, InterruptedException {
        String handIn = handIn();
        HttpClient teacher = signedIn("quillfeather");
        String board = "/assignments/" + assignment + "/review";
        String whole = board + "?open=*";
        double[][] took = new double[4][TIMES];
        for (int i = -WARM; i < TIMES; i++) {
            double[] now = {timed(teacher, "/sign-in?out"), timed(teacher, board), timed(teacher, whole), timed(teacher, handIn)};
            for (int j = 0; i >= 0 && j < now.length; j++) {
                took[j][i] = now[j];
            }
        }
        double trivial = median(took[0]);
        System.out.println("review: 200 students, 20 hand-ins each, 400,000 findings");
        System.out.printf("  a trivial page                 %.1f ms (baseline)%n", trivial);
        tell("the board, sections folded", median(took[1]), trivial, compressed(teacher, board));
        tell("the board, 200 rows", median(took[2]), trivial, compressed(teacher, whole));
        tell("a student's page, " + LINKS + " links", median(took[3]), trivial, compressed(teacher, handIn));
        checkAgain(teacher, get(teacher, whole).body());
    }

    /** The whole class checked again here, against the same projects one after another with the command line. */
    private void checkAgain(HttpClient teacher, String board) throws IOException, InterruptedException {
        List<String> who = found(board, "name=\"who\" value=\"([0-9]+)\"");
        List<String> handIns = found(board, "href=\"(/hand-ins/[0-9]+)");
        double alone = alone(teacher, handIns.stream().distinct().limit(ALONE).toList(), token(board)) / ALONE * who.size();
        long began = System.nanoTime();
        post(teacher, "/assignments/" + assignment + "/review/check-again",
                who.stream().map(one -> "who=" + one).collect(Collectors.joining("&")), token(board));
        while (get(teacher, "/assignments/" + assignment + "/review/state").body().contains("\"busy\":true")) {
            Thread.sleep(250);
        }
        double here = (System.nanoTime() - began) / 1e9;
        System.out.printf(
                "  the class checked again        %.1f s, %.2f times %.1f s for %d one after another with the command line (%d timed)%n",
                here,
                here / alone, alone, who.size(), ALONE);
    }

    private double alone(HttpClient teacher, List<String> handIns, String token) throws IOException, InterruptedException {
        Path folder = Files.createTempDirectory("satchel-bench");
        Path kit = Files.write(folder.resolve("k.kit.json"),
                get(teacher, "/assignments/" + assignment + "/plan/kit.json").body().getBytes(StandardCharsets.UTF_8));
        double seconds = 0;
        for (int i = 0; i < handIns.size(); i++) {
            Path archive = folder.resolve(i + ".zip");
            Files.write(archive, post(teacher, handIns.get(i) + "/as-it-came", "", token));
            long began = System.nanoTime();
            new ProcessBuilder(satchel, "check", archive.toString(), "--kit", kit.toString(), "--format", "json")
                    .redirectOutput(ProcessBuilder.Redirect.DISCARD).redirectError(ProcessBuilder.Redirect.DISCARD).start().waitFor();
            seconds += (System.nanoTime() - began) / 1e9;
        }
        return seconds;
    }

    private byte[] post(HttpClient client, String path, String form, String token) throws IOException, InterruptedException {
        return client.send(HttpRequest.newBuilder(URI.create(base + path)).header("Content-Type", "application/x-www-form-urlencoded")
                .header("X-CSRF-TOKEN", token).POST(HttpRequest.BodyPublishers.ofString(form)).build(),
                HttpResponse.BodyHandlers.ofByteArray()).body();
    }

    private static List<String> found(String page, String pattern) {
        return Pattern.compile(pattern).matcher(page).results().map(one -> one.group(1)).toList();
    }

    private static void tell(String what, double millis, double trivial, int bytes) {
        System.out.printf("  %-30s %.1f ms, %.1f times the baseline, %d kB compressed%n", what, millis, millis / trivial, bytes / 1_000);
    }

    /** A project whose one document links five thousand files, every tenth of which is missing. */
    private String handIn() throws IOException, InterruptedException {
        HttpClient student = signedIn("ottoline.marsh");
        String page = get(student, "/assignments/" + assignment + "/hand-in").body();
        HttpResponse<String> answer = student.send(HttpRequest.newBuilder(URI.create(base + "/assignments/" + assignment + "/hand-in"))
                .header("Content-Type", "application/zip").header("X-CSRF-TOKEN", token(page)).header("X-File-Name", "bench.zip")
                .POST(HttpRequest.BodyPublishers.ofByteArray(project())).build(), HttpResponse.BodyHandlers.ofString());
        Matcher next = Pattern.compile("/hand-ins/[0-9]+").matcher(answer.body());
        if (!next.find()) {
            throw new IllegalStateException("the hand-in was not taken: " + answer.body());
        }
        while (!get(student, next.group() + "/progress").body().contains("DONE")) {
            Thread.sleep(200);
        }
        return next.group();
    }

    private static byte[] project() throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        StringBuilder clips = new StringBuilder();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            for (int i = 0; i < LINKS; i++) {
                clips.append(i == 0 ? "" : ",\n").append(
                        "{\"OTIO_SCHEMA\": \"Clip.1\", \"media_reference\": {\"OTIO_SCHEMA\": \"ExternalReference.1\", \"target_url\": \"../footage/c")
                        .append(i).append(".mp4\"}}");
                if (i % 10 != 0) {
                    zip.putNextEntry(new ZipEntry("MOV120_A2_Marsh_Ottoline/footage/c" + i + ".mp4"));
                    zip.write(("clip " + i).getBytes(StandardCharsets.UTF_8));
                }
            }
            zip.putNextEntry(new ZipEntry("MOV120_A2_Marsh_Ottoline/edit/Marsh_A2_v01.otio"));
            zip.write(
                    ("{\"OTIO_SCHEMA\": \"Timeline.1\", \"tracks\": {\"OTIO_SCHEMA\": \"Stack.1\", \"children\": [{\"OTIO_SCHEMA\": \"Track.1\", \"children\": ["
                            + clips + "]}]}}")
                            .getBytes(StandardCharsets.UTF_8));
        }
        return out.toByteArray();
    }

    private HttpClient signedIn(String login) throws IOException, InterruptedException {
        HttpClient client = HttpClient.newBuilder().cookieHandler(new CookieManager()).followRedirects(HttpClient.Redirect.NORMAL).build();
        String page = get(client, "/sign-in").body();
        client.send(HttpRequest.newBuilder(URI.create(base + "/sign-in")).header("Content-Type", "application/x-www-form-urlencoded")
                .POST(HttpRequest.BodyPublishers.ofString(
                        "username=" + login + "&password=market-bell&_csrf=" + URLEncoder.encode(token(page), StandardCharsets.UTF_8)))
                .build(), HttpResponse.BodyHandlers.ofString());
        return client;
    }

    private static String token(String page) {
        Matcher token = TOKEN.matcher(page);
        if (!token.find()) {
            throw new IllegalStateException("the page has no token");
        }
        return token.group(1);
    }

    private HttpResponse<String> get(HttpClient client, String path) throws IOException, InterruptedException {
        return client.send(HttpRequest.newBuilder(URI.create(base + path)).build(), HttpResponse.BodyHandlers.ofString());
    }

    private int compressed(HttpClient client, String path) throws IOException, InterruptedException {
        return client
                .send(HttpRequest.newBuilder(URI.create(base + path)).header("Accept-Encoding", "gzip").build(),
                        HttpResponse.BodyHandlers.ofByteArray())
                .body().length;
    }

    private double timed(HttpClient client, String path) throws IOException, InterruptedException {
        long began = System.nanoTime();
        HttpResponse<String> answer = get(client, path);
        double millis = (System.nanoTime() - began) / 1e6;
        if (answer.statusCode() != 200) {
            throw new IllegalStateException(path + " answered " + answer.statusCode());
        }
        return millis;
    }

    private static double median(double[] values) {
        double[] sorted = values.clone();
        Arrays.sort(sorted);
        return sorted[sorted.length / 2];
    }
}
