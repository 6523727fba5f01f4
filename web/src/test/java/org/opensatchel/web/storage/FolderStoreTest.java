package org.opensatchel.web.storage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.time.Instant;
import java.util.List;
import java.util.Set;
import java.util.function.BooleanSupplier;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.opensatchel.web.storage.ContentStore.Stored;
import org.springframework.util.unit.DataSize;

/** What is answered is on the disk; what is refused leaves nothing; what fails is told as ours. */
class FolderStoreTest {

    @TempDir
    Path folder;

    private FolderStore store;

    @BeforeEach
    void open() throws IOException {
        store = new FolderStore(new SatchelProperties(folder, folder, DataSize.ofMegabytes(1), DataSize.ofMegabytes(1), false,
                DataSize.ofBytes(0), null, null));
    }

    private static InputStream bytes(int count) {
        return new ByteArrayInputStream(new byte[count]);
    }

    private List<Path> files() throws IOException {
        try (Stream<Path> all = Files.walk(folder)) {
            return all.filter(Files::isRegularFile).toList();
        }
    }

    @Test
    void theSameBytesAreKeptOnce() throws IOException {
        Stored first = store.store(bytes(100), 1_000);
        assertThat(store.store(bytes(100), 1_000)).isEqualTo(first);
        assertThat(files()).hasSize(1);
        try (InputStream content = store.open(first.sha256())) {
            assertThat(content.readAllBytes()).hasSize(100);
        }
    }

    @Test
    void whatIsRefusedLeavesNothing() throws IOException {
        assertThatThrownBy(() -> store.store(bytes(100), 99)).isInstanceOf(ContentStore.TooLarge.class);
        assertThatThrownBy(() -> store.store(bytes(99), 1_000, 100)).isInstanceOfSatisfying(ContentStore.Incomplete.class,
                less -> assertThat(less.isEmpty()).isFalse());
        assertThatThrownBy(() -> store.store(bytes(0), 1_000, 1)).isInstanceOfSatisfying(ContentStore.Incomplete.class,
                less -> assertThat(less.isEmpty()).isTrue());
        assertThat(files()).isEmpty();
    }

    @Test
    void aSenderThatBreaksOffIsNoFaultOfTheStore() {
        InputStream broken = new InputStream() {
            @Override
            public int read() throws IOException {
                throw new IOException("gone");
            }
        };
        assertThatThrownBy(() -> store.store(broken, 1_000)).isInstanceOf(IOException.class).isNotInstanceOf(NoRoom.class);
    }

    @Test
    void aStoreThatCannotBeWrittenIsToldAsOurs() throws IOException {
        assertThat(store.isSound()).isTrue();
        assertThat(store.room()).isPositive();
        Files.delete(folder.resolve("incoming"));
        assertThatThrownBy(() -> store.store(bytes(1), 1_000)).isInstanceOf(NoRoom.class);
        assertThat(store.isSound()).isFalse();
    }

    @Test
    void contentsWithoutAnOwnerAreCollectedWhenTheyAreOld() throws IOException {
        Stored owned = store.store(bytes(1), 1_000);
        Stored nobodys = store.store(bytes(2), 1_000);
        assertThat(swept(ownerOf(owned.sha256()), Instant.now().minusSeconds(60))).as("just stored: its owner may be on the way").isZero();
        assertThat(swept(ownerOf(owned.sha256()), Instant.now().plusSeconds(60))).isEqualTo(1);
        assertThat(Files.exists(store.file(owned.sha256()))).isTrue();
        assertThat(Files.exists(store.file(nobodys.sha256()))).isFalse();
    }

    private int swept(ContentStore.Owners owners, Instant before) throws IOException {
        int removed = 0;
        for (int part = 0; part < ContentStore.PARTS; part++) {
            removed += store.sweep(part, owners, before);
        }
        return removed;
    }

    @Test
    void ofSomeContentsThoseGoThatNobodyHas() throws IOException {
        Stored owned = store.store(bytes(1), 1_000);
        Stored nobodys = store.store(bytes(2), 1_000);
        Stored another = store.store(bytes(3), 1_000);
        List<String> some = List.of(owned.sha256(), nobodys.sha256(), "0".repeat(64));
        assertThat(store.remove(some, ownerOf(owned.sha256()), Instant.now().minusSeconds(60))).isZero();
        assertThat(store.remove(some, ownerOf(owned.sha256()), Instant.now().plusSeconds(60))).isEqualTo(1);
        assertThat(store.has(owned.sha256(), 1)).isTrue();
        assertThat(store.has(nobodys.sha256(), 2)).isFalse();
        assertThat(store.has(another.sha256(), 3)).as("which was not asked for").isTrue();
    }

    private static ContentStore.Owners ownerOf(String sha256) {
        return new ContentStore.Owners() {
            @Override
            public Set<String> owned(String beginning) {
                return sha256.startsWith(beginning) ? Set.of(sha256) : Set.of();
            }

            @Override
            public boolean whileNobodyHas(String asked, BooleanSupplier doing) {
                return !asked.equals(sha256) && doing.getAsBoolean();
            }
        };
    }

    /** Another server may put a content into its place at the very moment in which this one lets go of it. */
    @Test
    void whatComesWhileItIsLetGoOfStays() throws IOException {
        Stored stored = store.store(bytes(5), 1_000);
        int removed = swept(new ContentStore.Owners() {
            @Override
            public Set<String> owned(String beginning) {
                return Set.of();
            }

            @Override
            public boolean whileNobodyHas(String asked, BooleanSupplier doing) {
                try {
                    Files.setLastModifiedTime(store.file(asked), FileTime.from(Instant.now().plusSeconds(120)));
                } catch (IOException impossible) {
                    throw new AssertionError(impossible);
                }
                return doing.getAsBoolean();
            }
        }, Instant.now().plusSeconds(60));
        assertThat(removed).isZero();
        assertThat(store.has(stored.sha256(), 5)).isTrue();
    }
}
