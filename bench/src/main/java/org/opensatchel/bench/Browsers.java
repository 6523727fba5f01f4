package org.opensatchel.bench;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import java.io.IOException;
import java.io.OutputStream;
import java.io.RandomAccessFile;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.concurrent.atomic.AtomicLong;
import java.util.regex.Pattern;

/**
 * What a student's browser does with large folders: the check of 20,000 files of 50 GB (with holes, so that they take no room), and a folder
 * of 1 GiB that is handed in, against curl with the same bytes in the same run.
 */
public final class Browsers {

    private static final String WORK = "/assignments/1";
    private static final int ROUNDS = 3;
    private static final long GIB = 1L << 30;
    /** Tasks longer than this hold up a page (Long Tasks API). */
    private static final String LONG_TASKS = """
            () => {
              window.longest = 0;
              let from = Infinity;
              // What the browser does before it tells of the files is not the page's; what the page does at once then is counted by itself.
              const input = document.querySelector("[data-part=input]");
              input.addEventListener("change", () => { from = performance.now(); }, true);
              input.addEventListener("change", () => { window.longest = Math.max(window.longest, performance.now() - from); });
              new PerformanceObserver((list) => {
                for (const one of list.getEntries()) if (one.startTime >= from) window.longest = Math.max(window.longest, one.duration);
              }).observe({ type: "longtask" });
            }""";

    private final String base;
    private final Path folder;

    private Browsers(String base, Path folder) {
        this.base = base;
        this.folder = folder;
    }

    /** Arguments: the address, a folder to work in. */
    public static void main(String[] arguments) throws Exception {
        Path folder = Files.createDirectories(Path.of(arguments[1]).resolve("browsers"));
        try (Playwright playwright = Playwright.create();
                Browser browser = playwright.chromium()
                        .launch(new BrowserType.LaunchOptions().setExecutablePath(Path.of("/usr/bin/chromium-headless-shell"))
                                .setArgs(List.of("--no-sandbox", "--disable-gpu")))) {
            Browsers bench = new Browsers(arguments[0], folder);
            bench.check(browser);
            bench.send(browser);
        }
    }

    private Page signIn(Browser browser, String login) {
        Page page = browser.newContext().newPage();
        page.setDefaultTimeout(300_000);
        page.navigate(base + "/sign-in");
        page.fill("#username", login);
        page.fill("#password", "market-bell");
        page.click("main button");
        return page;
    }

    private void check(Browser browser) throws IOException {
        Path root = folder.resolve("MOV120_A2_Marsh_Odile");
        for (int i = 0; i < 20_000; i++) {
            Path file = root.resolve("03_footage/day" + i / 500 + "/clip_" + i + ".mp4");
            Files.createDirectories(file.getParent());
            try (RandomAccessFile sparse = new RandomAccessFile(file.toFile(), "rw")) {
                sparse.setLength(2_500_000);
            }
        }
        for (int i = 0; i < 50; i++) {
            Path page = Files.createDirectories(root.resolve("edit")).resolve("scene_" + i + ".html");
            Files.writeString(page, "<img src=\"../03_footage/day0/clip_" + i + ".mp4\">".repeat(50));
        }
        Page page = signIn(browser, "odile.marsh");
        AtomicLong sent = new AtomicLong();
        page.navigate(base + WORK + "/pre-check");
        page.evaluate(LONG_TASKS);
        page.onRequest(request -> {
            if (request.method().equals("POST") && request.url().endsWith("/pre-check")) {
                sent.addAndGet(Long.parseLong(request.allHeaders().getOrDefault("content-length", "0")));
            }
        });
        // The chooser of this tool goes through the files one by one: only what comes after that is the page's.
        page.setInputFiles("[data-part=input]", root);
        long begun = System.nanoTime();
        double longest = 0;
        while (!page.url().contains("/pre-checks/")) {
            try {
                longest = Math.max(longest, ((Number) page.evaluate("() => window.longest ?? 0")).doubleValue());
            } catch (RuntimeException leaving) {
                break;
            }
            page.waitForTimeout(50);
        }
        page.waitForURL(Pattern.compile(".*/pre-checks/\\d+"));
        double there = (System.nanoTime() - begun) / 1e9;
        page.locator(".findings").waitFor();
        System.out.printf(
                "check: 20,050 files, 50 GB: sent after %.1f s, told after %.1f s, %.2f MB sent, longest task of the page %.0f ms (bound 100)%n",
                there,
                (System.nanoTime() - begun) / 1e9, sent.get() / 1e6, longest);
        page.context().close();
    }

    private void send(Browser browser) throws Exception {
        List<Double> ratios = new ArrayList<>();
        Path root = folder.resolve("MOV120_A2_Marsh_Ottoline");
        Path film = Files.createDirectories(root.resolve("03_footage")).resolve("day.mp4");
        for (int round = 0; round < ROUNDS; round++) {
            random(film, round * 2L);
            double curl = curl(film);
            random(film, round * 2L + 1);
            Page page = signIn(browser, "ottoline.marsh");
            page.navigate(base + WORK + "/hand-in");
            List<Long> parts = new ArrayList<>();
            page.onRequest(request -> {
                if (request.method().equals("PATCH")) {
                    parts.add(System.nanoTime());
                }
            });
            AtomicLong end = new AtomicLong();
            page.onResponse(response -> {
                if (response.url().endsWith("/finish") && response.ok()) {
                    end.set(System.nanoTime());
                }
            });
            page.setInputFiles("[data-part=folder]", root);
            page.locator("[data-part=picked]").waitFor();
            long begun = System.nanoTime();
            page.locator(page.isVisible("[data-part=send]") ? "[data-part=send]" : "[data-part=send-anyway]").click();
            page.waitForURL(Pattern.compile(".*/hand-ins/\\d+"));
            double seconds = (end.get() - parts.get(0)) / 1e9;
            ratios.add(curl / seconds);
            System.out.printf(
                    "send: 1 GiB: curl %.1f s, browser %.1f s from the first byte until it was handed in (and %.1f s of hashing before): %.2f of curl%n",
                    curl, seconds, (parts.get(0) - begun) / 1e9, curl / seconds);
            long again = again(page, root);
            System.out.printf("      once more, unchanged: %.3f MB sent%n", again / 1e6);
            page.context().close();
        }
        ratios.sort(null);
        System.out.printf("send: median %.2f of curl's throughput (bound 0.8)%n", ratios.get(ratios.size() / 2));
    }

    private long again(Page page, Path root) {
        AtomicLong sent = new AtomicLong();
        page.navigate(base + WORK + "/hand-in");
        page.onRequest(request -> sent.addAndGet(request.method().equals("GET") ? 0
                : Long.parseLong(request.allHeaders().getOrDefault("content-length", "0"))));
        page.setInputFiles("[data-part=folder]", root);
        page.locator("[data-part=picked]").waitFor();
        page.locator(page.isVisible("[data-part=send]") ? "[data-part=send]" : "[data-part=send-anyway]").click();
        page.waitForURL(Pattern.compile(".*/hand-ins/\\d+"));
        return sent.get();
    }

    private static void random(Path file, long seed) throws IOException {
        Random random = new Random(seed);
        byte[] some = new byte[1 << 20];
        try (OutputStream out = Files.newOutputStream(file)) {
            for (long at = 0; at < GIB; at += some.length) {
                random.nextBytes(some);
                out.write(some);
            }
        }
        // What is still to be written to the disk is nobody's time here.
        try (RandomAccessFile written = new RandomAccessFile(file.toFile(), "rw")) {
            written.getFD().sync();
        }
    }

    private double curl(Path file) throws Exception {
        Visitor me = new Visitor(base, "ottoline.marsh");
        me.signIn();
        String cookie = me.http.cookieHandler().orElseThrow().get(java.net.URI.create(base), java.util.Map.of()).get("Cookie").get(0);
        Process curl = new ProcessBuilder("curl", "-s", "-o", "/dev/null", "-w", "%{http_code} %{time_total}", "-X", "POST", "-T",
                file.toString(), "-H",
                "Cookie: " + cookie, "-H", "X-CSRF-TOKEN: " + me.token, "-H", "Content-Type: application/zip", "-H", "X-File-Name: a.zip",
                base + WORK + "/hand-in").start();
        String[] told = new String(curl.getInputStream().readAllBytes(), StandardCharsets.UTF_8).split(" ");
        if (!told[0].equals("200")) {
            throw new IllegalStateException("curl was answered with " + told[0]);
        }
        return Double.parseDouble(told[1]);
    }
}
