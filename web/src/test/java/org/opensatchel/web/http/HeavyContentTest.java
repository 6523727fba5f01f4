package org.opensatchel.web.http;

import static org.assertj.core.api.Assertions.assertThat;
import static org.awaitility.Awaitility.await;

import com.sun.management.ThreadMXBean;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.lang.management.ManagementFactory;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.opensatchel.web.Asking;
import org.opensatchel.web.HandingIn;
import org.opensatchel.web.handin.HandInView;
import org.opensatchel.web.storage.ContentStore;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.web.bind.annotation.RequestMethod;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;

/**
 * What a student can hand in costs the server no more memory on any route than a page does: a large picture, very many names, very many links
 * and findings. Each route that shows a hand-in is asked several times at once, by who teaches and by the student.
 */
class HeavyContentTest extends HandingIn {

    /** What one answer may take in passing, whatever was handed in, in bytes: a page of a thousand findings is about a third of it. */
    private static final long MOST = 64L << 20;
    private static final int AT_ONCE = 4;

    @Autowired
    @Qualifier("requestMappingHandlerMapping")
    private RequestMappingHandlerMapping routes;
    @Autowired
    private ContentStore store;

    private final ThreadMXBean threads = (ThreadMXBean) ManagementFactory.getThreadMXBean();
    private final ExecutorService hands = Executors.newFixedThreadPool(AT_ONCE);

    @AfterEach
    void noHands() {
        hands.shutdownNow();
        database.update("delete from job");
        database.update("delete from audit");
    }

    private static byte[] zip(Map<String, byte[]> files) throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (ZipOutputStream out = new ZipOutputStream(bytes)) {
            for (Map.Entry<String, byte[]> file : files.entrySet()) {
                out.putNextEntry(new ZipEntry("MOV120_A2_Marsh_Ottoline/" + file.getKey()));
                out.write(file.getValue());
                out.closeEntry();
            }
        }
        return bytes.toByteArray();
    }

    /** A picture that hardly gets smaller. */
    private static byte[] picture() throws IOException {
        BufferedImage image = new BufferedImage(2_400, 2_400, BufferedImage.TYPE_INT_RGB);
        Random random = new Random(5);
        for (int y = 0; y < image.getHeight(); y++) {
            for (int x = 0; x < image.getWidth(); x++) {
                image.setRGB(x, y, random.nextInt());
            }
        }
        ByteArrayOutputStream png = new ByteArrayOutputStream();
        ImageIO.write(image, "png", png);
        return png.toByteArray();
    }

    private static byte[] text(String text) {
        return text.getBytes(StandardCharsets.UTF_8);
    }

    /** By the file that is looked at. */
    private Map<String, byte[]> contents() throws IOException {
        Map<String, byte[]> out = new LinkedHashMap<>();
        out.put("titles/a.png", zip(Map.of("titles/a.png", picture(), "edit/a.html", text("<img src=\"../titles/a.png\">"))));
        out.put("f/1.txt", zip(IntStream.range(0, 60_000).boxed().collect(Collectors.toMap(i -> "f/" + i + ".txt", i -> new byte[0]))));
        out.put("0.html", zip(IntStream.range(0, 20).boxed().collect(Collectors.toMap(i -> i + ".html", i -> text(IntStream.range(0, 1_500)
                .mapToObj(k -> "<img src=\"F:/lost/a-name-that-is-not-short-" + i + "-" + k + ".png\">")
                .collect(Collectors.joining("\n")))))));
        return out;
    }

    private long handedIn(byte[] zip) throws IOException {
        long id = receiver.take(place("ottoline.marsh"), "heavy.zip", store.store(new ByteArrayInputStream(zip), Long.MAX_VALUE));
        await().atMost(Duration.ofMinutes(5)).until(() -> handIns.ofStudent(place("ottoline.marsh")).stream().filter(one -> one.id() == id)
                .allMatch(HandInView::isDone));
        return id;
    }

    /** What the server's own threads have taken so far. */
    private long taken() {
        long sum = 0;
        for (long id : threads.getAllThreadIds()) {
            var info = threads.getThreadInfo(id);
            if (info != null && (info.getThreadName().contains("-exec-") || info.getThreadName().startsWith("errand-"))) {
                sum += Math.max(0, threads.getThreadAllocatedBytes(id));
            }
        }
        return sum;
    }

    @Test
    void noRouteCostsMoreMemoryThanAPageWhateverIsHandedIn() throws Exception {
        Map<String, Long> dear = new TreeMap<>();
        List<String> ours = new ArrayList<>();
        List<Asking> people = List.of(Asking.as(signIn("quillfeather")), Asking.as(signIn("ottoline.marsh")));
        long before = handIns.ofStudent(place("ottoline.marsh")).get(0).id();
        int asked = 0;
        for (Map.Entry<String, byte[]> content : contents().entrySet()) {
            long handIn = handedIn(content.getValue());
            for (Route route : Route.all(routes)) {
                boolean shows = route.method() == RequestMethod.GET
                        && route.path().stream().anyMatch(Set.of("handIn", "handInId")::contains);
                for (Asking who : shows ? people : List.<Asking>of()) {
                    String path = route.pattern();
                    for (String name : route.path()) {
                        path = path.replace("{" + name + "}", name.equals("beforeId") ? Long.toString(before) : Long.toString(handIn));
                    }
                    String to = address(path + (route.fields().contains("path") ? "?path=" + content.getKey() : ""));
                    long begun = taken();
                    List<Future<Integer>> answers = new ArrayList<>();
                    for (int i = 0; i < AT_ONCE; i++) {
                        answers.add(hands.submit(() -> who.send("GET", to, "", new byte[0]).statusCode()));
                    }
                    for (Future<Integer> answer : answers) {
                        int status = answer.get(3, TimeUnit.MINUTES);
                        if (status >= 500 && status != 503) {
                            ours.add(status + " " + to);
                        }
                    }
                    asked++;
                    long each = (taken() - begun) / AT_ONCE;
                    if (each > MOST) {
                        dear.merge(route.pattern() + " of " + content.getKey(), each >> 20, Math::max);
                    }
                }
            }
        }
        assertThat(asked).isGreaterThan(60);
        assertThat(ours).isEmpty();
        assertThat(dear).as("MiB for one answer").isEmpty();
    }
}
