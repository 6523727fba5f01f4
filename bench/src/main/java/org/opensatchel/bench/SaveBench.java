package org.opensatchel.bench;

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
import org.opensatchel.base.json.JsonDocuments;
import tools.jackson.databind.node.ObjectNode;

/**
 * Saves a plan of 300 folders again and again in the running application. Baseline: the sign-in page in the same run. Told: the
 * 95th percentile of both, and their ratio. It works in an assignment of its own, which it makes and leaves unpublished.
 */
final class SaveBench {

    private static final int FOLDERS = 300;
    private static final int WARM = 40;
    private static final int TIMES = 200;
    private static final Pattern TOKEN = Pattern.compile("name=\"_csrf\"[^>]*?(?:content|value)=\"([^\"]+)\"");
    private static final Pattern REVISION = Pattern.compile("data-revision=\"([0-9]+)\"");

    private final HttpClient client = HttpClient.newBuilder().cookieHandler(new CookieManager()).followRedirects(HttpClient.Redirect.NORMAL)
            .build();
    private final String base;

    private SaveBench(String base) {
        this.base = base;
    }

    public static void main(String[] args) throws IOException, InterruptedException {
        new SaveBench(args.length > 0 ? args[0] : "http://127.0.0.1:8080").run(args.length > 1 ? args[1] : "market-bell");
    }

    private void run(String password) throws IOException, InterruptedException {
        String page = get("/sign-in").body();
        form("/sign-in", "username=quillfeather&password=" + encoded(password) + "&_csrf=" + encoded(token(page)));
        String course = get("/courses/1").body();
        String title = "Bench " + System.currentTimeMillis() % 1_000_000;
        String plan = form("/courses/1/assignments", "code=" + encoded("B" + System.currentTimeMillis() % 10_000_000) + "&title="
                + encoded(title) + "&due=2030-01-01T12:00&_csrf=" + encoded(token(course))).uri().getPath();
        String bench = get(plan).body();
        String token = token(bench);
        Matcher revision = REVISION.matcher(bench);
        int at = revision.find() ? Integer.parseInt(revision.group(1)) : 0;
        double[] saves = new double[TIMES];
        double[] pages = new double[TIMES];
        for (int i = -WARM; i < TIMES; i++) {
            double trivial = timed(() -> get("/sign-in?out"));
            String body = sent(at + i + WARM, i);
            double save = timed(() -> client.send(HttpRequest.newBuilder(URI.create(base + plan + "/save"))
                    .header("Content-Type", "application/json").header("X-CSRF-TOKEN", token)
                    .POST(HttpRequest.BodyPublishers.ofString(body)).build(), HttpResponse.BodyHandlers.ofString()));
            if (i >= 0) {
                saves[i] = save;
                pages[i] = trivial;
            }
        }
        double saving = p95(saves);
        double trivial = p95(pages);
        System.out.printf("save: a plan of %d folders, %d times%n", FOLDERS, TIMES);
        System.out.printf("  a trivial page, p95   %.1f ms (baseline)%n", trivial);
        System.out.printf("  saving, p95           %.1f ms, %.1f times the baseline%n", saving, saving / trivial);
    }

    private interface Request {
        HttpResponse<String> send() throws IOException, InterruptedException;
    }

    private static double timed(Request request) throws IOException, InterruptedException {
        long began = System.nanoTime();
        HttpResponse<String> answer = request.send();
        double millis = (System.nanoTime() - began) / 1e6;
        if (answer.statusCode() != 200 || answer.body().contains("\"good\":false")) {
            throw new IOException("the application answered " + answer.statusCode() + " "
                    + answer.body().substring(0, Math.min(200, answer.body().length())));
        }
        return millis;
    }

    private static double p95(double[] millis) {
        double[] sorted = millis.clone();
        Arrays.sort(sorted);
        return sorted[(int) Math.ceil(sorted.length * 0.95) - 1];
    }

    private static String sent(int revision, int round) {
        ObjectNode kit = JsonDocuments.MAPPER.createObjectNode().put("kit", 1).put("title", "Bench " + round);
        kit.putObject("root").put("name", "{course}_{assignment}_{last}_{first}");
        for (int i = 0; i < FOLDERS; i++) {
            kit.withArray("/folders").addObject().put("path", "part_" + i / 20 + "/shot_" + i).put("purpose", "Shot " + i)
                    .putArray("accepts").add("png").add("exr");
        }
        return JsonDocuments.MAPPER.createObjectNode().put("document", kit.toString()).put("revision", revision).put("version", 0)
                .toString();
    }

    private HttpResponse<String> get(String path) throws IOException, InterruptedException {
        return client.send(HttpRequest.newBuilder(URI.create(base + path)).build(), HttpResponse.BodyHandlers.ofString());
    }

    private HttpResponse<String> form(String path, String body) throws IOException, InterruptedException {
        return client.send(HttpRequest.newBuilder(URI.create(base + path)).header("Content-Type", "application/x-www-form-urlencoded")
                .POST(HttpRequest.BodyPublishers.ofString(body)).build(), HttpResponse.BodyHandlers.ofString());
    }

    private static String token(String page) throws IOException {
        Matcher matcher = TOKEN.matcher(page);
        if (!matcher.find()) {
            throw new IOException("the page has no token");
        }
        return matcher.group(1);
    }

    private static String encoded(String text) {
        return URLEncoder.encode(text, StandardCharsets.UTF_8);
    }
}
