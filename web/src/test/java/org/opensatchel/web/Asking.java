package org.opensatchel.web;

import com.microsoft.playwright.Page;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;

/** Requests as somebody's browser would send them, without one: thousands of them take seconds. Redirects are not followed. */
public final class Asking {

    private static final HttpClient CLIENT = HttpClient.newBuilder().version(HttpClient.Version.HTTP_1_1)
            .followRedirects(HttpClient.Redirect.NEVER).build();

    private final String cookies;
    private final String token;

    private Asking(String cookies, String token) {
        this.cookies = cookies;
        this.token = token;
    }

    /** As whoever is signed in on a page, or nobody. */
    public static Asking as(Page page) {
        return new Asking(page.context().cookies().stream().map(one -> one.name + "=" + one.value).collect(Collectors.joining("; ")),
                page.locator("meta[name=_csrf]").getAttribute("content"));
    }

    /** @param type of the body, empty for none */
    public HttpResponse<Void> send(String method, String address, String type, byte[] body) {
        HttpRequest.Builder request = HttpRequest.newBuilder(URI.create(address)).header("X-CSRF-TOKEN", token).header("X-File-Name",
                "%ZZ.zip");
        if (!cookies.isEmpty()) {
            request.header("Cookie", cookies);
        }
        if (!type.isEmpty()) {
            request.header("Content-Type", type);
        }
        request.method(method, body.length == 0 ? BodyPublishers.noBody() : BodyPublishers.ofByteArray(body));
        try {
            return sent(request.build());
        } catch (IOException broken) {
            throw new UncheckedIOException(method + " " + address.substring(0, Math.min(120, address.length())), broken);
        } catch (InterruptedException asked) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(asked);
        }
    }

    private static HttpResponse<Void> sent(HttpRequest request) throws IOException, InterruptedException {
        try {
            return CLIENT.send(request, BodyHandlers.discarding());
        } catch (IOException closed) {
            // After an address that is too long the server closes the connection, which is known here a moment too late.
            return CLIENT.send(request, BodyHandlers.discarding());
        }
    }

    /** The fields of a form, in the address for what is only asked for, else in the body. */
    public HttpResponse<Void> form(String method, String address, List<Map.Entry<String, String>> fields) {
        String encoded = fields.stream().map(field -> encoded(field.getKey()) + "=" + encoded(field.getValue()))
                .collect(Collectors.joining("&"));
        if (method.equals("GET")) {
            return send(method, encoded.isEmpty() ? address : address + "?" + encoded, "", new byte[0]);
        }
        return send(method, address, "application/x-www-form-urlencoded", encoded.getBytes(StandardCharsets.US_ASCII));
    }

    public static String encoded(String value) {
        return URLEncoder.encode(value, StandardCharsets.UTF_8);
    }
}
