package org.opensatchel.web.storage;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.function.BooleanSupplier;
import org.opensatchel.core.pack.Handout.StarterContents;
import org.opensatchel.web.storage.ContentStore.Stored;
import org.opensatchel.web.storage.PartialContent.Wanted;
import org.springframework.stereotype.Service;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Stored contents and whose they are. A hash that comes with a request opens nothing by itself: the course has to have that
 * content, for that purpose. Nothing is read or written while a connection to the database is held.
 */
@Service
public class Contents {

    /** What was just stored may not have its owner yet. */
    private static final Duration LEFT_ALONE = Duration.ofHours(24);
    /** So many parts of the store are looked through in an hour. */
    private static final int SWEPT = 8;
    /** So many contents are asked for in one query. */
    private static final int AT_ONCE = 5_000;

    private final ContentStore store;
    private final ContentRows owners;
    private final TransactionTemplate transaction;
    private final LooseContents loose;
    private final Clock clock;
    private final ContentStore.Owners owned = new ContentStore.Owners() {
        @Override
        public Set<String> owned(String beginning) {
            return new HashSet<>(owners.between(beginning, beginning + "g"));
        }

        @Override
        public boolean whileNobodyHas(String sha256, BooleanSupplier doing) {
            return Boolean.TRUE.equals(transaction.execute(status -> !owners.isHad(sha256) && doing.getAsBoolean()));
        }
    };

    Contents(ContentStore store, ContentRows owners, LooseContents loose, Clock clock,
            PlatformTransactionManager transactions) {
        this.transaction = new TransactionTemplate(transactions);
        this.loose = loose;
        this.store = store;
        this.owners = owners;
        this.clock = clock;
    }

    /**
     * Stores a stream for somebody in a course.
     *
     * @throws ContentStore.TooLarge when it is longer than allowed
     */
    public Stored keep(InputStream content, Purpose purpose, long course, long account, long mostBytes) throws IOException {
        Stored stored = store.store(content, mostBytes);
        own(stored, purpose, course, account);
        return stored;
    }

    /** Says whose something is that has been stored. */
    public void own(Stored stored, Purpose purpose, long course, long account) {
        owners.own(new String[]{stored.sha256()}, new Long[]{stored.bytes()}, owner(purpose, course, account));
    }

    private ContentRows.Owner owner(Purpose purpose, long course, long account) {
        Instant now = clock.instant();
        return new ContentRows.Owner(purpose, course, account, now, purpose.stays().map(now::plus).orElse(null));
    }

    /** Says whose many contents are that have been stored. */
    public void ownAll(List<Wanted> stored, Purpose purpose, long course, long account) {
        ContentRows.Owner owner = owner(purpose, course, account);
        for (int from = 0; from < stored.size(); from += AT_ONCE) {
            List<Wanted> some = stored.subList(from, Math.min(stored.size(), from + AT_ONCE));
            owners.own(some.stream().map(Wanted::sha256).toArray(String[]::new), some.stream().map(Wanted::bytes).toArray(Long[]::new),
                    owner);
        }
    }

    /**
     * Those of some contents that somebody has in a course already, from handing in: what others have is never among them, so that nobody
     * comes to a content by knowing its hash.
     */
    public Set<String> had(List<Wanted> asked, long course, long account) {
        Set<String> out = new HashSet<>();
        for (int from = 0; from < asked.size(); from += AT_ONCE) {
            List<Wanted> some = asked.subList(from, Math.min(asked.size(), from + AT_ONCE));
            owners.had(some.stream().map(Wanted::sha256).toArray(String[]::new), course, account, clock.instant()).stream()
                    .filter(had -> store.has(had.sha256(), had.bytes())).forEach(had -> out.add(had.sha256()));
        }
        return out;
    }

    /** Makes sure that what came in parts stays. */
    public void settle() throws IOException {
        store.settle();
    }

    /** Whether a content is on the disk, with a length. */
    public boolean has(Wanted content) {
        return store.has(content.sha256(), content.bytes());
    }

    /** Whether a course has a content for a purpose. */
    public boolean has(String sha256, Purpose purpose, long course) {
        return owners.bytes(sha256, purpose, course, clock.instant()).isPresent();
    }

    /**
     * A content that a course has.
     *
     * @throws NoSuchFileException when it has none such, or no longer
     */
    public InputStream open(String sha256, Purpose purpose, long course) throws IOException {
        require(sha256, purpose, course, Long.MAX_VALUE);
        return store.open(sha256);
    }

    /**
     * The same as a file.
     *
     * @param mostBytes a longer one is refused before anything of it is read
     */
    public LocalFile file(String sha256, Purpose purpose, long course, long mostBytes) throws IOException {
        require(sha256, purpose, course, mostBytes);
        return local(sha256);
    }

    private void require(String sha256, Purpose purpose, long course, long mostBytes) throws IOException {
        long bytes = owners.bytes(sha256, purpose, course, clock.instant()).orElseThrow(() -> new NoSuchFileException(sha256));
        if (bytes > mostBytes) {
            throw new ContentStore.TooLarge();
        }
    }

    /** The starter files of a course's kits. */
    public StarterContents starters(long course) {
        return file -> open(file.sha256(), Purpose.STARTER, course);
    }

    /** A content by a hash that comes from a row of ours, and never from a request. */
    public LocalFile local(String sha256) throws IOException {
        if (store instanceof OnDisk disk) {
            Path file = disk.file(sha256);
            if (!Files.isRegularFile(file)) {
                throw new NoSuchFileException(sha256);
            }
            return new LocalFile(file, false);
        }
        Path copy = Files.createTempFile("satchel-content", "");
        try (InputStream content = store.open(sha256)) {
            Files.copy(content, copy, StandardCopyOption.REPLACE_EXISTING);
        } catch (IOException broken) {
            Files.deleteIfExists(copy);
            throw broken;
        }
        return new LocalFile(copy, true);
    }

    /**
     * Lets go of what nothing refers to any more, and removes what nobody has of it. Of everything that is stored a part is looked at each
     * time, for what was never anybody's: all of it in a day and a half.
     *
     * @return how many contents were removed
     */
    public int collect() throws IOException {
        Instant before = clock.instant().minus(LEFT_ALONE);
        store.removeAbandoned();
        int removed = store.remove(loose.release(before), owned, before);
        long hour = Duration.ofMillis(clock.millis()).toHours();
        for (long part = 0; part < SWEPT; part++) {
            removed += store.sweep((int) ((hour * SWEPT + part) % ContentStore.PARTS), owned, before);
        }
        return removed;
    }
}
