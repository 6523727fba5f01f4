package org.opensatchel.web.storage;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.opensatchel.base.hash.Sha256;
import org.opensatchel.web.storage.PartialContent.Wanted;
import org.springframework.util.unit.DataSize;

/** Contents that come in parts are what they should be, wherever the parts end. */
class PartialContentTest {

    private static final String TOKEN = "a1";

    @TempDir
    private Path folder;
    private FolderStore store;
    private PartialContents arrivals;

    @BeforeEach
    void open() throws IOException {
        restart();
    }

    /** As a server that was killed begins anew: nothing is left but what lies on the disk. */
    private void restart() throws IOException {
        SatchelProperties properties = new SatchelProperties(folder, folder, DataSize.ofGigabytes(1), DataSize.ofGigabytes(1), false,
                DataSize.ofBytes(0), null, null);
        store = new FolderStore(properties);
        arrivals = new PartialContents(properties, store);
    }

    private static byte[] bytes(String text) {
        return text.getBytes(StandardCharsets.UTF_8);
    }

    private static Wanted wanted(String content) {
        return new Wanted(Sha256.of(bytes(content)), content.length());
    }

    private long take(String part) throws IOException {
        try (PartialContent arrival = arrivals.hold(TOKEN).orElseThrow()) {
            return arrival.take(new ByteArrayInputStream(bytes(part)));
        }
    }

    private List<String> want(String... contents) throws IOException {
        try (PartialContent arrival = arrivals.hold(TOKEN).orElseThrow()) {
            return arrival.want(Arrays.stream(contents).map(PartialContentTest::wanted).toList()).stream().map(Wanted::sha256).toList();
        }
    }

    private long offset() throws IOException {
        try (PartialContent arrival = arrivals.hold(TOKEN).orElseThrow()) {
            return arrival.offset();
        }
    }

    private String stored(String content) throws IOException {
        try (InputStream in = store.open(wanted(content).sha256())) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        }
    }

    @Test
    void partsMayEndAnywhereAndTheServerToo() throws IOException {
        Random random = new Random(3);
        for (int round = 0; round < 30; round++) {
            List<String> contents = new ArrayList<>();
            for (int i = 0; i < 1 + random.nextInt(5); i++) {
                contents.add(round + "." + i + "-".repeat(random.nextInt(40)));
            }
            String stream = String.join("", contents);
            want(contents.toArray(String[]::new));
            for (int at = 0; at < stream.length();) {
                int end = Math.min(stream.length(), at + 1 + random.nextInt(20));
                assertThat(take(stream.substring(at, end))).isEqualTo(end);
                if (random.nextInt(3) == 0) {
                    restart();
                    assertThat(offset()).isEqualTo(end);
                }
                at = end;
            }
            for (String content : contents) {
                assertThat(stored(content)).isEqualTo(content);
            }
            try (PartialContent arrival = arrivals.hold(TOKEN).orElseThrow()) {
                assertThat(arrival.good()).extracting(Wanted::sha256)
                        .containsExactlyInAnyOrderElementsOf(contents.stream().map(one -> wanted(one).sha256()).toList());
            }
        }
    }

    @Test
    void whatIsNotWhatItShouldBeIsToldAndNotKept() throws IOException {
        want("fern", "moss");
        assertThat(take("fernMOSS")).isEqualTo(8);
        try (PartialContent arrival = arrivals.hold(TOKEN).orElseThrow()) {
            assertThat(arrival.differing()).containsExactly(wanted("moss"));
            assertThat(arrival.good()).containsExactly(wanted("fern"));
        }
        assertThat(store.has(wanted("moss").sha256(), 4)).isFalse();
        assertThat(store.has(wanted("MOSS").sha256(), 4)).isFalse();
    }

    @Test
    void aPartOfWhatIsStillWantedIsKeptAndComesFirst() throws IOException {
        want("fern", "moss");
        take("fernmo");
        assertThat(want("reed", "moss")).containsExactly(wanted("moss").sha256(), wanted("reed").sha256());
        assertThat(offset()).isEqualTo(2);
        assertThat(take("ssreed")).isEqualTo(8);
        assertThat(stored("moss")).isEqualTo("moss");
        want("other");
        assertThat(offset()).isZero();
    }

    @Test
    void aConnectionThatBreaksLosesNothingOfWhatCame() throws IOException {
        want("fern", "moss");
        try (PartialContent arrival = arrivals.hold(TOKEN).orElseThrow()) {
            InputStream breaking = new java.io.SequenceInputStream(new ByteArrayInputStream(bytes("fer")), new InputStream() {
                @Override
                public int read() throws IOException {
                    throw new IOException("broke");
                }
            });
            assertThat(arrival.take(breaking)).isEqualTo(3);
        }
        assertThat(take("nmoss")).isEqualTo(8);
        assertThat(stored("fern")).isEqualTo("fern");
    }

    @Test
    void oneAtATimeHoldsIt() throws IOException {
        try (PartialContent arrival = arrivals.hold(TOKEN).orElseThrow()) {
            assertThat(arrival.length()).isZero();
            assertThat(arrivals.hold(TOKEN)).isEmpty();
        }
        assertThat(offset()).isZero();
    }

    @Test
    void aServerThatEndsBetweenAContentAndItsNoteAsksForItAgain() throws IOException {
        want("fern", "moss");
        take("fern");
        Files.write(folder.resolve("arriving/" + TOKEN + "/through"), new byte[0]);
        restart();
        assertThat(offset()).isZero();
        assertThat(take("fernmoss")).isEqualTo(8);
    }

    @Test
    void whatNobodyKnowsOfIsForgotten() throws IOException {
        want("fern");
        Instant later = Instant.now().plusSeconds(60);
        arrivals.removeOthers(TOKEN::equals, later);
        arrivals.removeOthers(token -> false, Instant.now().minusSeconds(60));
        assertThat(folder.resolve("arriving/" + TOKEN)).exists();
        arrivals.removeOthers(token -> false, later);
        assertThat(folder.resolve("arriving/" + TOKEN)).doesNotExist();
    }
}
