package org.opensatchel.bench;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import javax.imageio.ImageIO;

/** What is handed in in a soak, by kind: mostly as in a class, and some that nobody would hand in. */
final class SoakArchives {

    private final Map<String, byte[]> byKind = new TreeMap<>();

    SoakArchives() throws IOException {
        Random random = new Random(3);
        byKind.put("sound", zip(Map.of("P/edit/page.html", "<img src=\"../titles/a.png\">", "P/titles/a.png", picture())));
        byKind.put("broken", zip(Map.of("P/a.html",
                IntStream.range(0, 300).mapToObj(i -> "<img src=\"F:/lost/" + i + ".png\">").collect(Collectors.joining()))));
        byKind.put("links", zip(IntStream.range(0, 60).boxed().collect(Collectors.toMap(i -> "P/p" + i + ".html",
                i -> IntStream.range(0, 1_500).mapToObj(k -> "<img src=\"m" + i + "-" + k + ".png\">").collect(Collectors.joining())))));
        byKind.put("sums",
                zip(IntStream.range(0, 4).boxed()
                        .collect(Collectors.toMap(i -> "P/" + i + ".css",
                                i -> IntStream.range(0, 8_000)
                                        .mapToObj(k -> "a{b:url(" + "x".repeat(3_960) + Long.toString(random.nextLong(), 36) + ".png)}\n")
                                        .collect(Collectors.joining())))));
        byKind.put("entries", zip(IntStream.range(0, 60_000).boxed().collect(Collectors.toMap(i -> "P/files/f" + i + ".txt", i -> ""))));
        byte[] whole = byKind.get("links");
        byKind.put("cut", Arrays.copyOf(whole, whole.length / 2));
        byKind.put("nothing", "this is no archive".getBytes(StandardCharsets.UTF_8));
    }

    /** A small picture, each of its bytes a letter. */
    private static String picture() throws IOException {
        ByteArrayOutputStream png = new ByteArrayOutputStream();
        ImageIO.write(new BufferedImage(40, 30, BufferedImage.TYPE_INT_RGB), "png", png);
        return png.toString(StandardCharsets.ISO_8859_1);
    }

    private static byte[] zip(Map<String, String> files) throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (ZipOutputStream out = new ZipOutputStream(bytes)) {
            for (Map.Entry<String, String> file : new TreeMap<>(files).entrySet()) {
                out.putNextEntry(new ZipEntry(file.getKey()));
                out.write(file.getValue().getBytes(StandardCharsets.ISO_8859_1));
                out.closeEntry();
            }
        }
        return bytes.toByteArray();
    }

    /** Mostly small and nearly right, as in a class; now and then something that nobody would hand in. */
    static String pick(Random random) {
        int one = random.nextInt(100);
        return one < 60 ? "sound"
                : one < 85 ? "broken" : one < 89 ? "links" : one < 91 ? "sums" : one < 94 ? "entries" : one < 97 ? "cut" : "nothing";
    }

    byte[] of(String kind) {
        return byKind.get(kind);
    }
}
