package org.opensatchel.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.opensatchel.base.hash.Sha256;

/** {@code satchel profile …} and {@code satchel check --profile}, with their exit statuses. */
class ProfileCommandsTest {

    @TempDir
    Path temp;
    private Path profile;
    private String out;
    private String err;

    @BeforeEach
    void where() {
        profile = temp.resolve("film.profile.json");
    }

    private int run(Object... args) {
        ByteArrayOutputStream printed = new ByteArrayOutputStream();
        ByteArrayOutputStream wrong = new ByteArrayOutputStream();
        String[] texts = new String[args.length];
        for (int i = 0; i < args.length; i++) {
            texts[i] = args[i].toString();
        }
        int status = Satchel.run(new PrintStream(printed, true, StandardCharsets.UTF_8),
                new PrintStream(wrong, true, StandardCharsets.UTF_8),
                texts);
        out = printed.toString(StandardCharsets.UTF_8);
        err = wrong.toString(StandardCharsets.UTF_8);
        return status;
    }

    private Path project(String name, String... takes) throws IOException {
        Path root = temp.resolve(name);
        for (String file : new String[]{"footage/a.mov", "footage/b.mov", "sound/c.wav"}) {
            Files.createDirectories(root.resolve(file).getParent());
            Files.writeString(root.resolve(file), "media " + file);
        }
        StringBuilder text = new StringBuilder("<film>");
        for (String take : takes) {
            text.append("<take src=\"").append(take).append("\"/>");
        }
        Files.createDirectories(root.resolve("edit"));
        Files.writeString(root.resolve("edit/cut.kfl"), text + "</film>");
        return root;
    }

    private Path good(String name) throws IOException {
        return project(name, "../footage/a.mov", "../footage/b.mov", "../sound/c.wav");
    }

    @Test
    void learnsTriesExplainsAndChecks() throws IOException {
        Path example = good("example");
        assertThat(run("profile", "learn", example, "-o", profile, "--title", "Film")).isZero();
        assertThat(out).contains("/film/take/@src", "3 of 3 values lead to files of the example");
        byte[] first = Files.readAllBytes(profile);
        assertThat(run("profile", "learn", example, "-o", profile, "--title", "Film")).isZero();
        assertThat(Files.readAllBytes(profile)).isEqualTo(first);

        Path bad = project("bad", "../footage/a.mov", "../footage/gone.mov");
        assertThat(run("profile", "test", profile, good("other"))).isZero();
        assertThat(out).contains("edit/cut.kfl: 3 links (3 ok)");
        assertThat(run("profile", "test", profile, bad)).isEqualTo(1);
        assertThat(out).contains("edit/cut.kfl: 2 links (1 missing, 1 ok)");
        assertThat(run("profile", "explain", profile)).isZero();
        assertThat(out).startsWith("Film\n").contains("Documents like *.kfl");
        assertThat(run("profile", "explain", profile, "--language", "de")).isZero();
        assertThat(out).contains("3 von 3 Werten führen zu Dateien des Beispiels");

        assertThat(run("check", bad)).as("without it: what looks broken is doubtful at most").isZero();
        assertThat(run("check", "--profile", profile, bad)).isEqualTo(1);
        assertThat(out).contains("link.missing");
        assertThat(run("check", "--profile", profile, "--profile", profile, good("third"))).isZero();
    }

    @Test
    void whatTeachesNothingWritesNothing() throws IOException {
        assertThat(run("profile", "learn", project("far", "../x/1.mov", "../x/2.mov", "../x/3.mov"), "-o", profile)).isEqualTo(2);
        assertThat(err).contains("No value in “edit/cut.kfl” leads to a file in this folder");
        assertThat(run("profile", "learn", project("few", "../footage/a.mov"), "-o", profile)).isEqualTo(2);
        assertThat(err.lines()).hasSize(1).allMatch(line -> line.contains("too few to be certain"));
        assertThat(run("profile", "learn", good("narrow"), "--files", "*.zzz", "-o", profile)).isEqualTo(2);
        assertThat(err).contains("no document here");
        assertThat(run("profile", "learn", temp.resolve("nowhere"), "-o", profile)).isEqualTo(2);
        assertThat(Files.exists(profile)).isFalse();
    }

    @Test
    void profilesThatCannotBeUsedAreRefused() throws IOException {
        Files.writeString(profile, "{\"profile\": 1, \"title\": \"x\", \"content\": \"xml\", \"slots\": [], \"colour\": 1}");
        assertThat(run("check", "--profile", profile, good("a"))).isEqualTo(2);
        assertThat(err).contains("/colour").doesNotContain("Exception");
        assertThat(run("check", "--profile", temp.resolve("none"), good("b"))).isEqualTo(2);
    }

    @Test
    void aKitHoldsAProfileOrNamesOne() throws IOException {
        assertThat(run("profile", "learn", good("example"), "-o", profile)).isZero();
        String json = Files.readString(profile);
        Path bad = project("bad", "../footage/gone.mov", "../footage/a.mov");
        Path kit = temp.resolve("a.kit.json");
        String start = "{\"kit\": 1, \"title\": \"K\", \"root\": {\"name\": \"bad\"}, \"links\": {\"profiles\": [";
        Files.writeString(kit, start + json + "]}}");
        run("check", "--kit", kit, "--format", "json", bad);
        assertThat(out).contains("\"outcome\":\"missing\"").contains("link.missing");
        Files.writeString(kit, start + "\"" + Sha256.of(json.getBytes(StandardCharsets.UTF_8)) + "\"]}}");
        assertThat(run("check", "--kit", kit, bad)).isEqualTo(2);
        assertThat(err).contains("not given with --profile");
        assertThat(run("check", "--kit", kit, "--profile", profile, bad)).isEqualTo(1);
    }
}
