package org.opensatchel.core.example;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;

/** A made-up project with one document of an invented format in its folder {@code edit}. */
final class InventedProject {

    private static final List<String> STEMS = List.of("lamps", "ferry", "stairs", "market bell", "Brücke", "tram", "rain", "harbour",
            "late_train", "kiosk", "window", "crowd");
    private static final List<String> PEOPLE = List.of("Ottoline", "Liv", "Tamsin", "Casper", "Maud");

    private final Invented format;
    private final String root;
    private final String location;
    private final String document;
    private final List<String> files = new ArrayList<>();
    private final List<Clip> clips = new ArrayList<>();
    private final Random random;

    InventedProject(Invented format, long seed, int count) {
        this.format = format;
        this.random = new Random(seed * 31 + format.name().hashCode());
        String person = PEOPLE.get(random.nextInt(PEOPLE.size()));
        this.root = "AN2_" + person;
        List<String> places = List.of("F:\\class\\", "/Users/" + person.toLowerCase() + "/work/", "C:\\Users\\" + person + "\\Desktop\\",
                "/home/" + person.toLowerCase() + "/");
        this.location = places.get((int) (seed % places.size())) + root;
        this.document = "edit/" + (seed % 2 == 0 ? "cut" : "Schnitt " + seed) + "." + format.ending();
        for (int i = 0; i < count; i++) {
            String folder = List.of("footage", "sound", "stills", "footage/day " + (1 + i % 2)).get(random.nextInt(4));
            String ending = folder.startsWith("footage") ? ".mov" : folder.equals("sound") ? ".wav" : ".png";
            String file = folder + "/" + STEMS.get(random.nextInt(STEMS.size())) + "_" + (char) ('a' + i % 26) + (i / 26 > 0 ? i / 26 : "")
                    + ending;
            files.add(file);
            add(file);
            if (random.nextInt(4) == 0) {
                add(files.get(random.nextInt(files.size())));
            }
        }
        files.add("footage/unused.mov");
    }

    private void add(String file) {
        clips.add(clip("../" + file, absolute(file)));
    }

    private Clip clip(String relative, String absolute) {
        String name = relative.substring(relative.lastIndexOf('/') + 1);
        String label = name.replaceFirst("\\.[a-z]+$", "") + " take " + clips.size();
        return new Clip(relative, absolute, label, random.nextInt(900), 1_000 + random.nextInt(900));
    }

    String absolute(String file) {
        boolean windows = location.contains("\\");
        return location + (windows ? "\\" : "/") + (windows ? file.replace('/', '\\') : file);
    }

    /** Plants a clip that is not as it should be; what a report shows of it. */
    String plant(String relative, String absolute) {
        Clip planted = clip(relative, absolute);
        clips.add(1 + random.nextInt(clips.size() - 1), planted);
        return format.text().apply(planted);
    }

    void addFile(String file) {
        files.add(file);
    }

    List<Clip> clips() {
        return clips;
    }

    List<String> files() {
        return files;
    }

    String document() {
        return document;
    }

    String location() {
        return location;
    }

    /** Writes it into a folder. */
    Path write(Path into) {
        try {
            Path folder = into.resolve(root);
            for (String file : files) {
                Path path = folder.resolve(file);
                Files.createDirectories(path.getParent());
                Files.writeString(path, "media " + file, StandardCharsets.UTF_8);
            }
            Path path = folder.resolve(document);
            Files.createDirectories(path.getParent());
            Files.write(path, format.write(new Invented.Scene("Night " + root, location, document, clips)));
            return folder;
        } catch (IOException broken) {
            throw new UncheckedIOException(broken);
        }
    }
}
