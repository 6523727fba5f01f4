package org.opensatchel.bench;

import java.io.IOException;
import java.net.CookieManager;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Somebody of the demo who signs in, as often as it takes. */
final class Visitor {

    private static final Pattern CSRF = Pattern.compile("name=\"_csrf\" content=\"([^\"]+)\"");
    private static final String PASSWORD = "market-bell";

    final HttpClient http = HttpClient.newBuilder().cookieHandler(new CookieManager()).followRedirects(HttpClient.Redirect.NORMAL)
            .version(HttpClient.Version.HTTP_1_1).connectTimeout(Duration.ofSeconds(10)).build();
    final String base;
    final String login;
    String token = "";

    Visitor(String base, String login) {
        this.base = base;
        this.login = login;
    }

    void signIn() throws InterruptedException {
        while (true) {
            try {
                token = token(get("/sign-in"));
                String form = "username=" + encoded(login) + "&password=" + PASSWORD + "&_csrf=" + encoded(token);
                HttpResponse<String> in = http.send(HttpRequest.newBuilder(URI.create(base + "/sign-in")).timeout(Duration.ofSeconds(30))
                        .header("Content-Type", "application/x-www-form-urlencoded").POST(HttpRequest.BodyPublishers.ofString(form))
                        .build(),
                        HttpResponse.BodyHandlers.ofString());
                if (in.statusCode() == 200 && !in.uri().getPath().equals("/sign-in")) {
                    token = token(in.body());
                    return;
                }
            } catch (IOException | IllegalStateException away) {
                // The server is being killed: try again.
            }
            Thread.sleep(500);
        }
    }

    String get(String path) throws IOException, InterruptedException {
        return http
                .send(HttpRequest.newBuilder(URI.create(base + path)).timeout(Duration.ofSeconds(30)).header("Accept", "text/html").build(),
                        HttpResponse.BodyHandlers.ofString())
                .body();
    }

    static String token(String page) {
        Matcher matcher = CSRF.matcher(page);
        if (!matcher.find()) {
            throw new IllegalStateException("no token on this page");
        }
        return matcher.group(1);
    }

    static String encoded(String text) {
        return URLEncoder.encode(text, StandardCharsets.UTF_8);
    }
}
