package org.opensatchel.bench;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.net.URI;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;

/** What takes how long, in milliseconds, whatever else the database holds: scripts/growth.sh runs it before and after the database has grown. */
public final class GrowthBench {

    private static final int TIMES = 15;
    private static final int IN_A_BATCH = 24;
    private static final Pattern NEXT = Pattern.compile("\"next\":\"([^\"]+)\"");
    private static final Pattern CHOICE = Pattern.compile("name=\"(who-[0-9]+)\"[^>]*>.*?<option value=\"([0-9]+)\" selected",
            Pattern.DOTALL);
    private static final Pattern STUDENT = Pattern.compile("<bdi>([^<,]+), ([^<]+)</bdi>");

    private final Visitor student;
    private final Visitor teacher;

    private GrowthBench(String base) {
        student = new Visitor(base, "odile.marsh");
        teacher = new Visitor(base, "quillfeather");
    }

    /** @param arguments the address */
    public static void main(String[] arguments) throws Exception {
        new GrowthBench(arguments[0]).run();
    }

    private interface Work {
        void go(int number) throws IOException, InterruptedException;
    }

    private void run() throws Exception {
        student.signIn();
        teacher.signIn();
        byte[] zip = zip("MOV120_A2_Marsh_Odile/edit/a.html");
        told("hand-in", i -> posted(student, "/assignments/1/hand-in", zip));
        told("student-page", i -> student.get("/assignments/1/hand-in"));
        told("class-page", i -> teacher.get("/assignments/1/review"));
        told("log-page", i -> teacher.get("/assignments/1/log"));
        imports();
    }

    private static void told(String what, Work work) throws IOException, InterruptedException {
        List<Long> millis = new ArrayList<>();
        for (int i = 0; i < TIMES; i++) {
            long begun = System.nanoTime();
            work.go(i);
            millis.add((System.nanoTime() - begun) / 1_000_000);
        }
        Collections.sort(millis);
        System.out.println(what + " " + Math.max(1, millis.get(millis.size() / 2)));
    }

    /** Many at once are imported and the import is undone, which deletes what came of it. */
    private void imports() throws IOException, InterruptedException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (ZipOutputStream out = new ZipOutputStream(bytes)) {
            Matcher name = STUDENT.matcher(teacher.get("/assignments/1/locations") + teacher.get("/assignments/1/check"));
            for (int i = 0; i < IN_A_BATCH && name.find(); i++) {
                out.putNextEntry(new ZipEntry(name.group(1) + "_" + name.group(2) + "_" + i + ".zip"));
                out.write(zip("P/edit/a.html"));
                out.closeEntry();
            }
        }
        String at = posted(teacher, "/assignments/1/intake", bytes.toByteArray());
        Matcher choice = CHOICE.matcher(settled(at));
        StringBuilder form = new StringBuilder("x=1");
        while (choice.find()) {
            form.append('&').append(choice.group(1)).append('=').append(choice.group(2));
        }
        long begun = System.nanoTime();
        form(at + "/take", form.toString());
        while (teacher.get(at).contains("/cancel\"")) {
            Thread.sleep(20);
        }
        System.out.println("import " + (System.nanoTime() - begun) / 1_000_000);
        // What is being checked stays; so it is waited for.
        Thread.sleep(20_000);
        begun = System.nanoTime();
        form(at + "/undo", "x=1");
        System.out.println("undo " + Math.max(1, (System.nanoTime() - begun) / 1_000_000));
    }

    private String settled(String at) throws IOException, InterruptedException {
        String page = teacher.get(at);
        for (int i = 0; i < 60 && !page.contains("name=\"who-0\""); i++) {
            Thread.sleep(500);
            page = teacher.get(at);
        }
        return page;
    }

    private void form(String to, String body) throws IOException, InterruptedException {
        HttpResponse<String> answer = teacher.http.send(HttpRequest.newBuilder(URI.create(teacher.base + to)).timeout(Duration.ofMinutes(5))
                .header("Content-Type", "application/x-www-form-urlencoded").header("X-CSRF-TOKEN", teacher.token)
                .POST(HttpRequest.BodyPublishers.ofString(body)).build(), HttpResponse.BodyHandlers.ofString());
        if (answer.statusCode() != 200) {
            throw new IOException(to + " was answered with " + answer.statusCode());
        }
    }

    private static String posted(Visitor who, String to, byte[] body) throws IOException, InterruptedException {
        HttpResponse<String> answer = who.http.send(HttpRequest.newBuilder(URI.create(who.base + to)).timeout(Duration.ofMinutes(5))
                .header("Content-Type", "application/zip").header("X-CSRF-TOKEN", who.token).header("X-File-Name", "a.zip")
                .POST(HttpRequest.BodyPublishers.ofByteArray(body)).build(), HttpResponse.BodyHandlers.ofString());
        Matcher next = NEXT.matcher(answer.body());
        if (!next.find()) {
            throw new IOException(to + " was answered with " + answer.statusCode() + " " + answer.body());
        }
        return next.group(1);
    }

    private static byte[] zip(String path) throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (ZipOutputStream out = new ZipOutputStream(bytes)) {
            out.putNextEntry(new ZipEntry(path));
            out.write("<img src=\"../titles/a.png\">".getBytes(StandardCharsets.UTF_8));
            out.closeEntry();
        }
        return bytes.toByteArray();
    }
}
