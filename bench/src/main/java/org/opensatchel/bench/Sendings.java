package org.opensatchel.bench;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.atomic.AtomicLong;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.opensatchel.base.hash.Sha256;

/**
 * Twenty students send a folder at once, and the server is killed in the middle and begins again: every folder has to arrive, once. Each
 * goes on with the same requests as the page's script.
 */
public final class Sendings {

    /** Students of the demo. */
    private static final List<String> LOGINS = List.of("wilhelmina.vandermolen", "tamsin", "kofi.brightwater", "ines.castellane",
            "halvard.drury",
            "maren.eskildsen", "juno.fairweather", "tobiah.garrick", "cosima.damberley", "samuel.ikande", "ffion.jessop", "rowan.kestrel",
            "asa.lindqvist", "ren.nakagoshi", "bisi.oyelaran", "jost.pellworm", "annelie.quist", "barnaby.rudge", "noor.thackeray",
            "cass.umberline");
    private static final int FILES = 48;
    private static final int FILE_BYTES = 1 << 20;
    private static final int PART = 3 << 20;
    private static final int KILLS = 2;
    private static final String WORK = "/assignments/1";

    private final String base;
    private final Path state;
    private final AtomicLong sent = new AtomicLong();
    private final AtomicLong resumed = new AtomicLong();
    private final AtomicInteger broken = new AtomicInteger();
    private final Map<String, String> handIns = new ConcurrentHashMap<>();
    private final Map<String, String> faults = new ConcurrentHashMap<>();

    private Sendings(String base, Path state) {
        this.base = base;
        this.state = state;
    }

    /** Arguments: the address, the folder the application runs in. */
    public static void main(String[] arguments) throws Exception {
        System.exit(new Sendings(arguments[0], Path.of(arguments[1])).run() ? 0 : 1);
    }

    private boolean run() throws Exception {
        long begun = System.nanoTime();
        List<Thread> students = new ArrayList<>();
        for (int i = 0; i < LOGINS.size(); i++) {
            int number = i;
            Thread thread = new Thread(() -> study(number));
            thread.start();
            students.add(thread);
        }
        long all = (long) LOGINS.size() * FILES * FILE_BYTES;
        AtomicLong peak = new AtomicLong();
        int killed = 0;
        while (students.stream().anyMatch(Thread::isAlive)) {
            peak.accumulateAndGet(ServerProcess.rss(ServerProcess.pid(state)), Math::max);
            if (killed < KILLS && sent.get() > all / (KILLS + 1) * (killed + 1)) {
                ProcessHandle.of(ServerProcess.pid(state)).ifPresent(ProcessHandle::destroyForcibly);
                killed++;
            }
            Thread.sleep(100);
        }
        for (Thread thread : students) {
            thread.join();
        }
        double seconds = (System.nanoTime() - begun) / 1e9;
        boolean good = faults.isEmpty() && handIns.size() == LOGINS.size() && Set.copyOf(handIns.values()).size() == LOGINS.size();
        System.out.printf("sendings: %d students, %d MB each, server killed %d times in %.0f s; heap 256 MB, peak of the process %d MB%n",
                LOGINS.size(), (long) FILES * FILE_BYTES / 1_000_000, killed, seconds, peak.get());
        System.out.printf("          %d requests broke off, %d MB were sent for %d MB of projects, %d MB were there when they went on%n",
                broken.get(),
                sent.get() / 1_000_000, all / 1_000_000, resumed.get() / 1_000_000);
        System.out.printf("          %d hand-ins, %s%n", handIns.size(), good ? "each whole, none twice" : "NOT GOOD: " + faults);
        return good;
    }

    private static byte[] content(int student, int file) {
        byte[] bytes = new byte[FILE_BYTES];
        new Random(student * 1_000L + file).nextBytes(bytes);
        return bytes;
    }

    private void study(int number) {
        try {
            Visitor me = new Visitor(base, LOGINS.get(number));
            Map<String, Integer> byHash = new HashMap<>();
            StringBuilder list = new StringBuilder("{\"listing\": 1, \"root\": \"R\", \"files\": [");
            for (int i = 0; i < FILES; i++) {
                String hash = Sha256.of(content(number, i));
                byHash.put(hash, i);
                list.append(i == 0 ? "" : ",").append("{\"path\": \"f").append(i).append(".bin\", \"bytes\": ").append(FILE_BYTES)
                        .append(", \"sha256\": \"").append(hash).append("\"}");
            }
            me.signIn();
            String next = "";
            while (next.isEmpty()) {
                next = send(me, number, byHash, list + "]}");
            }
            handIns.put(me.login, next);
            // What is here is not asked for again.
            String again = answer(me, "POST", WORK + "/sendings", list + "]}",
                    Map.of("Content-Type", "application/json", "X-File-Name", "R")).body();
            if (!again.contains("\"send\":[]")) {
                faults.put(me.login, "asked for again: " + again);
            }
        } catch (InterruptedException asked) {
            Thread.currentThread().interrupt();
        } catch (IOException | RuntimeException fault) {
            faults.put(LOGINS.get(number), fault.toString());
        }
    }

    /** One try; the address of the hand-in when it came to its end. */
    private String send(Visitor me, int number, Map<String, Integer> byHash, String list) throws InterruptedException {
        try {
            HttpResponse<String> begun = answer(me, "POST", WORK + "/sendings", list,
                    Map.of("Content-Type", "application/json", "X-File-Name", "R"));
            if (begun.statusCode() != 200 || !begun.body().startsWith("{")) {
                me.signIn();
                return "";
            }
            String at = value(begun.body(), "\"at\":\"([^\"]+)\"");
            long offset = Long.parseLong(value(begun.body(), "\"offset\":(\\d+)"));
            long length = Long.parseLong(value(begun.body(), "\"length\":(\\d+)"));
            resumed.addAndGet(offset + (long) FILES * FILE_BYTES - length);
            List<Integer> order = new ArrayList<>();
            Matcher hash = Pattern.compile("[0-9a-f]{64}").matcher(value(begun.body(), "\"send\":\\[([^\\]]*)\\]"));
            while (hash.find()) {
                order.add(byHash.get(hash.group()));
            }
            while (offset < length) {
                byte[] part = part(number, order, offset, (int) Math.min(PART, length - offset));
                HttpResponse<String> took = me.http.send(
                        HttpRequest.newBuilder(URI.create(base + at)).timeout(Duration.ofSeconds(60)).header("X-CSRF-TOKEN", me.token)
                                .header("Tus-Resumable", "1.0.0").header("Upload-Offset", Long.toString(offset))
                                .header("Content-Type", "application/offset+octet-stream")
                                .method("PATCH", HttpRequest.BodyPublishers.ofByteArray(part)).build(),
                        HttpResponse.BodyHandlers.ofString());
                if (took.statusCode() != 204) {
                    me.signIn();
                    return "";
                }
                sent.addAndGet(part.length);
                offset = Long.parseLong(took.headers().firstValue("Upload-Offset").orElseThrow());
            }
            HttpResponse<String> finished = answer(me, "POST", at + "/finish", "", Map.of());
            String next = finished.statusCode() == 200 ? value(finished.body(), "\"next\":\"([^\"]+)\"") : "";
            if (!next.isEmpty() && !answer(me, "POST", at + "/finish", "", Map.of()).body().contains(next)) {
                faults.put(me.login, "finished twice");
            }
            return next;
        } catch (IOException | IllegalStateException broke) {
            broken.incrementAndGet();
            Thread.sleep(500);
            me.signIn();
            return "";
        }
    }

    private static byte[] part(int number, List<Integer> order, long from, int length) {
        byte[] out = new byte[length];
        for (int at = 0; at < length;) {
            long place = from + at;
            byte[] content = content(number, order.get((int) (place / FILE_BYTES)));
            int begin = (int) (place % FILE_BYTES);
            int some = Math.min(length - at, FILE_BYTES - begin);
            System.arraycopy(content, begin, out, at, some);
            at += some;
        }
        return out;
    }

    private HttpResponse<String> answer(Visitor me, String method, String path, String body, Map<String, String> headers)
            throws IOException, InterruptedException {
        HttpRequest.Builder request = HttpRequest.newBuilder(URI.create(base + path)).timeout(Duration.ofSeconds(60))
                .header("X-CSRF-TOKEN", me.token).method(method, HttpRequest.BodyPublishers.ofString(body));
        headers.forEach(request::header);
        return me.http.send(request.build(), HttpResponse.BodyHandlers.ofString());
    }

    private static String value(String json, String pattern) {
        Matcher matcher = Pattern.compile(pattern).matcher(json);
        if (!matcher.find()) {
            throw new IllegalStateException(json);
        }
        return matcher.group(1);
    }
}
