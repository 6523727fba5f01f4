package org.opensatchel.web.resumable;

import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Semaphore;
import java.util.zip.GZIPInputStream;
import java.util.zip.ZipException;
import org.opensatchel.base.hash.Sha256;
import org.opensatchel.core.project.HashedSource;
import org.opensatchel.core.project.Intake;
import org.opensatchel.core.project.ReadLimits;
import org.opensatchel.core.project.SourceEntry;
import org.opensatchel.web.storage.ContentStore;
import org.opensatchel.web.storage.ContentStore.Stored;
import org.opensatchel.web.storage.Contents;
import org.opensatchel.web.storage.LocalFile;
import org.opensatchel.web.storage.NoRoom;
import org.opensatchel.web.storage.PartialContent.Wanted;
import org.opensatchel.web.storage.SatchelProperties;
import org.opensatchel.web.text.Speech;
import org.springframework.stereotype.Component;

/** Reads lists of files: as long as a list may be, and a few at a time, since a long one takes memory. */
@Component
class ListReading {

    private static final int AT_ONCE = 2;
    /** Of a folder that is sent; a longer list is one of a whole drive. */
    private static final int MOST_FILES = 200_000;
    private static final String NOTHING = Sha256.of(new byte[0]);

    private final ContentStore store;
    private final Contents contents;
    private final ReadLimits limits;
    private final long mostBytes;
    private final Semaphore reading = new Semaphore(AT_ONCE);

    ListReading(ContentStore store, Contents contents, SatchelProperties properties) {
        this.store = store;
        this.contents = contents;
        ReadLimits read = properties.limits().read();
        this.limits = new ReadLimits(read.entries(), Math.min(MOST_FILES, read.files()), read.unpackedBytes(), read.ratio(), read.depth(),
                read.documentBytes(), read.linkText(), read.findingsPerCode(), read.sums());
        this.mostBytes = properties.maxPacket().toBytes();
    }

    /** What is made of a list while it is in memory. */
    interface Use<T> {
        T of(Listed listed) throws IOException;
    }

    /** Reads a list that was stored; what takes memory is let go of before the next one is read. */
    <T> T reading(Stored stored, Use<T> use) throws IOException {
        try {
            reading.acquire();
        } catch (InterruptedException asked) {
            Thread.currentThread().interrupt();
            throw new Refused(Speech.say("hand-in.crowd"));
        }
        try (LocalFile file = contents.local(stored.sha256())) {
            return use.of(read(stored, file));
        } finally {
            reading.release();
        }
    }

    /** @param packed whether the list comes compressed (RFC 1952) */
    Stored take(InputStream list, boolean packed) throws IOException {
        try (InputStream text = packed ? new GZIPInputStream(list, 1 << 16) : list) {
            return store.store(text, mostBytes, 1);
        } catch (NoRoom ours) {
            throw ours;
        } catch (ContentStore.TooLarge longer) {
            throw new Refused(Speech.say("sending.list-too-long", MOST_FILES));
        } catch (ContentStore.Incomplete | ZipException damaged) {
            throw new Refused(Speech.say("sending.list-damaged"));
        } catch (IOException broke) {
            throw new Refused(Speech.say("hand-in.broke-off"));
        }
    }

    private Listed read(Stored stored, LocalFile file) throws IOException {
        Intake intake;
        try (HashedSource source = new HashedSource(file.path(), hash -> InputStream.nullInputStream())) {
            intake = source.list(limits);
        }
        if (intake instanceof Intake.Blocked blocked) {
            throw new Refused(Speech.words().text(blocked.what()));
        }
        Map<String, Long> distinct = new HashMap<>();
        List<Wanted> order = new ArrayList<>();
        long bytes = 0;
        List<SourceEntry> files = ((Intake.Opened) intake).listing().files();
        for (SourceEntry entry : files) {
            String hash = entry.sha256().orElseThrow(() -> new Refused(Speech.say("sending.no-hash", entry.path())));
            Long known = distinct.putIfAbsent(hash, entry.bytes());
            // The same content has one length.
            if (known != null && known != entry.bytes() || (entry.bytes() == 0) != hash.equals(NOTHING)) {
                throw new Refused(Speech.say("sending.lies", entry.path()));
            }
            if (known == null && entry.bytes() > 0) {
                order.add(new Wanted(hash, entry.bytes()));
            }
            bytes = sum(bytes, entry);
        }
        return new Listed(stored, order, files.size(), bytes);
    }

    private static long sum(long bytes, SourceEntry entry) throws Refused {
        try {
            return Math.addExact(bytes, entry.bytes());
        } catch (ArithmeticException more) {
            throw new Refused(Speech.say("sending.lies", entry.path()));
        }
    }

    /** Why a list, or what it asks for, is not taken: a sentence. */
    static final class Refused extends IOException {
        private static final long serialVersionUID = 1L;

        Refused(String sentence) {
            super(sentence);
        }
    }
}
