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
import java.util.Arrays;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;

/**
 * The class board of 200 students with 20 hand-ins each and 400,000 findings, and one student's page with 5,000 links, in the running
 * application. Baseline: the sign-in page in the same run. Told: medians, their ratios, and how long the board is when it is compressed.
 */
final class ReviewBench {

    private static final int LINKS = 5_000;
    private static final int WARM = 30;
    private static final int TIMES = 60;
    private static final Pattern TOKEN = Pattern.compile("name=\"_csrf\"[^>]*?(?:content|value)=\"([^\"]+)\"");

    private final String base;
    private final String assignment;

    private ReviewBench(String base, String assignment) {
        this.base = base;
        this.assignment = assignment;
    }

    public static void main(String[] args) throws IOException, InterruptedException {
        new ReviewBench(args[0], args[1]).run();
    }

    private void run() throws IOException, InterruptedException {
        String handIn = handIn();
        HttpClient teacher = signedIn("quillfeather");
        String board = "/assignments/" + assignment + "/review";
        String whole = board + "?section=&q=student";
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
        tell("the board, 199 rows", median(took[2]), trivial, compressed(teacher, whole));
        tell("a student's page, " + LINKS + " links", median(took[3]), trivial, compressed(teacher, handIn));
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
