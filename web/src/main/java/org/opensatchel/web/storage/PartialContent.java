package org.opensatchel.web.storage;

import java.io.Closeable;
import java.io.IOException;
import java.io.InputStream;
import java.io.RandomAccessFile;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.List;
import org.opensatchel.base.hash.Sha256;

/**
 * Contents that come one after the other as a single stream, over as many requests as it takes. How far it is stands on the disk alone:
 * the list of what is wanted, one byte for each content that is through, and the part of the one that is coming. Whatever ends a
 * request, or the server, the stream goes on where it stopped. Held by one at a time, until it is closed.
 */
public final class PartialContent implements Closeable {

    /** What is wanted: a content's hash, and its length in bytes, which is more than 0. */
    public record Wanted(String sha256, long bytes) {}

    /** A record of the list: where the content begins in the stream, its length, its hash. */
    private static final int RECORD = 8 + 8 + 32;
    private static final byte GOOD = 1;
    private static final byte DIFFERS = 2;

    private final Path folder;
    private final ContentStore store;
    private final Running running;
    private final FileLock lock;

    private PartialContent(Path folder, ContentStore store, Running running, FileLock lock) {
        this.folder = folder;
        this.store = store;
        this.running = running;
        this.lock = lock;
    }

    /** The hash of the part so far, which saves reading it again with every request. */
    static final class Running {
        private MessageDigest digest = Sha256.digest();
        private long bytes;
    }

    static PartialContent open(Path folder, ContentStore store, Running running, FileLock lock) {
        return new PartialContent(folder, store, running, lock);
    }

    /**
     * Says what is wanted from now on. A part of something that is still wanted is kept, and comes first.
     *
     * @return what is wanted, in the order in which it has to come
     */
    public List<Wanted> want(List<Wanted> wanted) throws IOException {
        List<Wanted> order = new ArrayList<>(wanted);
        String begun = Files.exists(part()) && wantedInAll() > through() ? record(through()).sha256() : "";
        int at = begun.isEmpty() ? -1 : order.stream().map(Wanted::sha256).toList().indexOf(begun);
        if (at >= 0) {
            order.add(0, order.remove(at));
        } else {
            Files.deleteIfExists(part());
        }
        // What is through is forgotten first: a server that ends here asks for more than it needs, and never for less.
        Files.deleteIfExists(list());
        Files.deleteIfExists(journal());
        ByteBuffer bytes = ByteBuffer.allocate(RECORD * order.size());
        long begin = 0;
        for (Wanted one : order) {
            bytes.putLong(begin).putLong(one.bytes()).put(HexFormat.of().parseHex(one.sha256()));
            begin += one.bytes();
        }
        Path fresh = folder.resolve("fresh");
        Files.write(fresh, bytes.array());
        Files.move(fresh, list());
        return order;
    }

    private Path list() {
        return folder.resolve("list");
    }

    private Path journal() {
        return folder.resolve("through");
    }

    private Path part() {
        return folder.resolve("part");
    }

    private static long size(Path file) throws IOException {
        try {
            return Files.size(file);
        } catch (NoSuchFileException none) {
            return 0;
        }
    }

    private int wantedInAll() throws IOException {
        return (int) (size(list()) / RECORD);
    }

    private int through() throws IOException {
        return (int) Math.min(wantedInAll(), size(journal()));
    }

    private Wanted record(int index) throws IOException {
        return wanted(raw(index));
    }

    private ByteBuffer raw(int index) throws IOException {
        return ByteBuffer.wrap(read(list(), (long) index * RECORD, RECORD));
    }

    private long begin(int index) throws IOException {
        return raw(index).getLong();
    }

    /** How long the whole stream is, in bytes. */
    public long length() throws IOException {
        int count = wantedInAll();
        return count == 0 ? 0 : begin(count - 1) + record(count - 1).bytes();
    }

    /** How many bytes of it have come. */
    public long offset() throws IOException {
        int through = through();
        return through == wantedInAll() ? length() : begin(through) + size(part());
    }

    /**
     * Takes what comes, from where the stream stopped.
     *
     * @return where it stands now; what is beyond its end is not read
     * @throws NoRoom when it cannot be written
     */
    public long take(InputStream content) throws IOException {
        byte[] buffer = new byte[1 << 16];
        int count = wantedInAll();
        for (int at = through(); at < count; at++) {
            Wanted wanted = record(at);
            if (!take(content, wanted, buffer)) {
                return begin(at) + size(part());
            }
            boolean good = Sha256.hex(running.digest.digest()).equals(wanted.sha256());
            running.bytes = 0;
            if (good) {
                store.adopt(part(), wanted.sha256());
            } else {
                Files.deleteIfExists(part());
            }
            append(good ? GOOD : DIFFERS);
        }
        return length();
    }

    /** The rest of one content; whether all of it is here. */
    private boolean take(InputStream content, Wanted wanted, byte[] buffer) throws IOException {
        try (FileChannel part = FolderStore.appending(part())) {
            long have = part.size();
            hashed(have);
            while (have < wanted.bytes()) {
                int got = read(content, buffer, wanted.bytes() - have);
                if (got < 0) {
                    return false;
                }
                FolderStore.write(part, ByteBuffer.wrap(buffer, 0, got));
                running.digest.update(buffer, 0, got);
                have += got;
                running.bytes = have;
            }
            FolderStore.force(part);
            return true;
        }
    }

    /** A connection that broke is the end of what came with it, like any other. */
    private static int read(InputStream content, byte[] buffer, long most) {
        try {
            return content.read(buffer, 0, (int) Math.min(buffer.length, most));
        } catch (IOException broke) {
            return -1;
        }
    }

    /** After a server began anew, or a request ended in the middle of a write, the part is read again. */
    private void hashed(long have) throws IOException {
        if (running.bytes == have && have > 0) {
            return;
        }
        running.digest = Sha256.digest();
        running.bytes = have;
        if (have > 0) {
            try (InputStream part = Files.newInputStream(part())) {
                byte[] buffer = new byte[1 << 16];
                for (int got = part.read(buffer); got >= 0; got = part.read(buffer)) {
                    running.digest.update(buffer, 0, got);
                }
            }
        }
    }

    private void append(byte how) throws IOException {
        try (FileChannel journal = FolderStore.appending(journal())) {
            FolderStore.write(journal, ByteBuffer.wrap(new byte[]{how}));
        }
    }

    /** How many contents are through, good or not. */
    public int count() throws IOException {
        return through();
    }

    /** What came and is what it should be. */
    public List<Wanted> good() throws IOException {
        return those(GOOD, 0);
    }

    /**
     * The same, without what came first.
     *
     * @param from how many of those that are through are left out
     */
    public List<Wanted> good(int from) throws IOException {
        return those(GOOD, from);
    }

    /** What came as something else than its hash says. */
    public List<Wanted> differing() throws IOException {
        return those(DIFFERS, 0);
    }

    private List<Wanted> those(byte how, int from) throws IOException {
        int to = through();
        List<Wanted> out = new ArrayList<>();
        if (from >= to) {
            return out;
        }
        byte[] through = read(journal(), from, to - from);
        ByteBuffer records = ByteBuffer.wrap(read(list(), (long) from * RECORD, (to - from) * RECORD));
        for (byte one : through) {
            Wanted wanted = wanted(records);
            if (one == how) {
                out.add(wanted);
            }
        }
        return out;
    }

    private static byte[] read(Path file, long from, int length) throws IOException {
        try (RandomAccessFile open = new RandomAccessFile(file.toFile(), "r")) {
            byte[] out = new byte[length];
            open.seek(from);
            open.readFully(out);
            return out;
        }
    }

    private static Wanted wanted(ByteBuffer record) {
        record.getLong();
        long bytes = record.getLong();
        byte[] hash = new byte[32];
        record.get(hash);
        return new Wanted(Sha256.hex(hash), bytes);
    }

    /** Forgets the part and the list. */
    public void drop() throws IOException {
        for (Path file : List.of(part(), journal(), list())) {
            Files.deleteIfExists(file);
        }
    }

    @Override
    public void close() throws IOException {
        lock.channel().close();
    }
}
