package org.opensatchel.formats.described;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Base64;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.zip.GZIPInputStream;
import java.util.zip.InflaterInputStream;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.formats.Formats;
import org.opensatchel.formats.kind.FileKind;
import org.opensatchel.formats.link.DocumentContent;
import org.opensatchel.formats.link.Unreadable;
import org.opensatchel.formats.zip.Members;

/**
 * A document's content without what it is wrapped in.
 *
 * @param wraps the layers that were taken off, from outside
 * @param member the member of a package that it is; empty for none
 * @param members the names of all members of that package
 */
public record Unwrapped(List<Wrap> wraps, String member, Set<String> members, byte[] bytes) {

    private static final int MOST_LAYERS = 4;
    private static final int MOST_SKIPPED = 64;
    /** What unpacks to less is no document. */
    private static final int LEAST = 16;
    private static final int LONGEST_BASE64 = 32 << 20;
    private static final int MOST_MEMBERS = 200;

    /**
     * Takes off every layer that is met; a package gives one for each member that may be a document.
     *
     * @param most most bytes that are unpacked
     */
    public static List<Unwrapped> all(ProjectPath path, byte[] bytes, long most) throws IOException {
        List<Unwrapped> out = new ArrayList<>();
        new Unwrapped(List.of(), "", Set.of(), bytes).open(path, most, out);
        return out;
    }

    private void open(ProjectPath path, long most, List<Unwrapped> out) throws IOException {
        if (wraps.size() < MOST_LAYERS) {
            if (member.isEmpty() && isZip(bytes)) {
                List<Unwrapped> inside = members(path, most, "");
                for (Unwrapped one : inside) {
                    one.open(path, most, out);
                }
                return;
            }
            Optional<Unwrapped> inner = gzip(0, most).or(() -> zlib(0, most)).or(() -> base64()).or(() -> skipped(most));
            if (inner.isPresent()) {
                inner.get().open(path, most, out);
                return;
            }
        }
        out.add(this);
    }

    /**
     * Takes off given layers; nothing where the content has others.
     *
     * @throws Unreadable when it unpacks to more than is read
     */
    static List<Unwrapped> along(ProjectPath path, byte[] bytes, List<Wrap> wraps, long most) throws IOException, Unreadable {
        List<Unwrapped> now = List.of(new Unwrapped(List.of(), "", Set.of(), bytes));
        int skip = 0;
        for (Wrap wrap : wraps) {
            List<Unwrapped> next = new ArrayList<>();
            if (wrap.kind() == Wrap.Kind.SKIP) {
                skip = Integer.parseInt(wrap.of());
                continue;
            }
            for (Unwrapped one : now) {
                int from = skip;
                switch (wrap.kind()) {
                    case GZIP -> one.gzip(from, most).ifPresent(next::add);
                    case ZLIB -> one.zlib(from, most).ifPresent(next::add);
                    case BASE64 -> one.base64().ifPresent(next::add);
                    default -> next.addAll(isZip(one.bytes) ? one.members(path, most, wrap.of()) : List.of());
                }
            }
            skip = 0;
            now = next;
        }
        return now;
    }

    static boolean isZip(byte[] bytes) {
        return bytes.length > 30 && bytes[0] == 'P' && bytes[1] == 'K' && bytes[2] == 3 && bytes[3] == 4;
    }

    private List<Unwrapped> members(ProjectPath path, long most, String wanted) throws IOException {
        Members read;
        try {
            read = Members.read(new DocumentContent(path, new ByteArrayInputStream(bytes), most), name -> isWanted(name, wanted));
        } catch (Unreadable broken) {
            return List.of();
        }
        List<Unwrapped> out = new ArrayList<>();
        for (Map.Entry<String, byte[]> one : read.contents().entrySet()) {
            if (one.getValue().length > 0 && out.size() < MOST_MEMBERS) {
                out.add(new Unwrapped(and(new Wrap(Wrap.Kind.MEMBER, LineParts.word(one.getKey()))), one.getKey(), read.names(),
                        one.getValue()));
            }
        }
        return out;
    }

    private static boolean isWanted(String name, String wanted) {
        if (!wanted.isEmpty()) {
            return LineParts.word(name).equals(wanted);
        }
        FileKind kind = Formats.kind(ProjectPath.of(name).extension());
        return !kind.isMedia() && kind != FileKind.FONT;
    }

    private List<Wrap> and(Wrap... more) {
        List<Wrap> out = new ArrayList<>(wraps);
        out.addAll(List.of(more));
        return List.copyOf(out);
    }

    private Optional<Unwrapped> gzip(int from, long most) {
        boolean marked = bytes.length > from + 18 && (bytes[from] & 0xFF) == 0x1F && (bytes[from + 1] & 0xFF) == 0x8B
                && bytes[from + 2] == 8;
        return marked ? unpacked(from, most, Wrap.Kind.GZIP) : Optional.empty();
    }

    private Optional<Unwrapped> zlib(int from, long most) {
        boolean marked = bytes.length > from + 8 && (bytes[from] & 0x0F) == 8 && (bytes[from] & 0xF0) <= 0x70
                && ((bytes[from] & 0xFF) << 8 | (bytes[from + 1] & 0xFF)) % 31 == 0 && (bytes[from + 1] & 0x20) == 0;
        return marked ? unpacked(from, most, Wrap.Kind.ZLIB) : Optional.empty();
    }

    /** What unpacks to more than is read, or breaks off, is taken as far as it goes. */
    private Optional<Unwrapped> unpacked(int from, long most, Wrap.Kind kind) {
        InputStream packed = new ByteArrayInputStream(bytes, from, bytes.length - from);
        byte[] out;
        try (InputStream in = kind == Wrap.Kind.GZIP ? new GZIPInputStream(packed) : new InflaterInputStream(packed)) {
            out = in.readNBytes((int) Math.min(most + 1, Integer.MAX_VALUE - 16));
        } catch (IOException none) {
            return Optional.empty();
        }
        List<Wrap> taken = from == 0 ? and(Wrap.of(kind)) : and(new Wrap(Wrap.Kind.SKIP, Integer.toString(from)), Wrap.of(kind));
        return out.length >= LEAST && out.length <= most ? Optional.of(new Unwrapped(taken, member, members, out)) : Optional.empty();
    }

    /** A head of a program's own before what is packed. */
    private Optional<Unwrapped> skipped(long most) {
        if (!looksBinary()) {
            return Optional.empty();
        }
        for (int from = 1; from <= Math.min(MOST_SKIPPED, bytes.length - 20); from++) {
            int at = from;
            Optional<Unwrapped> found = gzip(at, most).or(() -> zlib(at, most).filter(one -> one.bytes.length >= 4 * LEAST));
            if (found.isPresent()) {
                return found;
            }
        }
        return Optional.empty();
    }

    private boolean looksBinary() {
        for (int i = 0; i < Math.min(bytes.length, 1_024); i++) {
            if (bytes[i] < 0 || (bytes[i] < ' ' && bytes[i] != '\n' && bytes[i] != '\r' && bytes[i] != '\t')) {
                return true;
            }
        }
        return false;
    }

    private Optional<Unwrapped> base64() {
        if (bytes.length < 64 || bytes.length > LONGEST_BASE64) {
            return Optional.empty();
        }
        for (int i = 0; i < bytes.length; i++) {
            byte c = bytes[i];
            boolean sign = (c >= 'A' && c <= 'Z') || (c >= 'a' && c <= 'z') || (c >= '0' && c <= '9') || c == '+' || c == '/' || c == '='
                    || c == '\n' || c == '\r';
            if (!sign) {
                return Optional.empty();
            }
        }
        try {
            byte[] out = Base64.getMimeDecoder().decode(bytes);
            boolean worth = out.length >= LEAST && !Arrays.equals(out, bytes);
            return worth ? Optional.of(new Unwrapped(and(Wrap.of(Wrap.Kind.BASE64)), member, members, out)) : Optional.empty();
        } catch (IllegalArgumentException none) {
            return Optional.empty();
        }
    }
}
