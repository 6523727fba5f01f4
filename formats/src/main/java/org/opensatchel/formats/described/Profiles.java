package org.opensatchel.formats.described;

import java.io.IOException;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.opensatchel.base.path.Glob;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.formats.Formats;
import org.opensatchel.formats.TypeProbe;
import org.opensatchel.formats.kind.FileKind;
import org.opensatchel.formats.link.DocumentLinks;
import org.opensatchel.formats.link.Head;
import org.opensatchel.formats.link.Link;
import org.opensatchel.formats.link.LinkSink;
import org.opensatchel.formats.link.Unreadable;

/** The profiles a project is checked with: tells which of them describes a document, and reads it by that one. */
public final class Profiles {

    public static final Profiles NONE = new Profiles(List.of());

    /** More values than any document has that people made. */
    private static final int MOST_VALUES = 400_000;
    private static final int MOST_UNPACKED = 128 << 20;

    private final List<Described> all;

    /** A kind of documents, and whose it is. */
    private record Described(Profile profile, Kind kind, Glob files) {}

    /** What became of a document. */
    public sealed interface Told {

        /** No profile describes it. */
        record Unknown() implements Told {}

        /**
         * It was read.
         *
         * @param title the profile's
         * @param saved the roots it says it was saved under
         */
        record Read(String title, List<String> saved) implements Told {}

        /** It is of a kind that a profile describes, and has none of the places that the profile knows. */
        record Differs(String title) implements Told {}
    }

    public Profiles(List<Profile> profiles) {
        List<Described> kinds = new ArrayList<>();
        profiles.forEach(profile -> profile.kinds().forEach(kind -> kinds.add(new Described(profile, kind, new Glob(kind.files())))));
        this.all = List.copyOf(kinds);
    }

    public boolean isEmpty() {
        return all.isEmpty();
    }

    /** Whether a file is worth reading whole to see whether a profile describes it. */
    public boolean mayDescribe(ProjectPath path, Head head) {
        // What is told by its places alone is no picture, sound or font by its name.
        boolean open = !TypeProbe.isMedia(head.bytes()) && Formats.kind(path.extension()) == FileKind.OTHER;
        return all.stream().anyMatch(one -> one.files.takes(path) || ((open || one.kind.begins().isTelling()) && fits(one.kind, head)));
    }

    /** What people call the kind of documents that a file is by its name; of another name, the first kind there is. */
    public String title(ProjectPath path) {
        return all.stream().filter(one -> one.files.takes(path)).findFirst().orElse(all.get(0)).profile.title();
    }

    /** Whether a beginning does not rule a kind out. */
    private static boolean fits(Kind kind, Head head) {
        if (!kind.unwrap().isEmpty()) {
            return switch (kind.unwrap().get(0).kind()) {
                case GZIP -> head.startsWith(0x1F, 0x8B);
                case MEMBER -> head.isZip();
                case ZLIB -> head.startsWith(0x78);
                default -> false;
            };
        }
        return switch (kind.content()) {
            case XML -> head.xmlRoot().equals(kind.begins().root());
            case PROPERTY_LIST -> head.xmlRoot().equals("plist");
            case JSON, JSON_LINES -> head.looksLikeJson() && !head.isBinary();
            case BINARY_PROPERTY_LIST -> head.startsWith('b', 'p', 'l', 'i', 's', 't');
            case DATABASE -> head.startsWith('S', 'Q', 'L', 'i', 't', 'e');
            case TABLE, TEXT -> !head.isBinary();
            case BYTES -> !kind.begins().bytes().isEmpty() && head.startsWith(ByteWalk.mark(kind.begins().bytes()));
        };
    }

    /** One kind held against a document. */
    private record Held(Described by, List<Assembly> parts, List<Unwrapped> contents, int found, int always, boolean named, int weight) {

        boolean isRead() {
            return found > 0 || always == 0;
        }
    }

    /** Reads a document by the profile that describes it, if any does. */
    public Told read(ProjectPath path, byte[] bytes, LinkSink sink) throws IOException, Unreadable {
        Held best = null;
        for (Described one : all) {
            Optional<Held> held = held(one, path, bytes);
            if (held.isPresent() && (best == null || isBetter(held.get(), best))) {
                best = held.get();
            }
        }
        if (best == null) {
            return new Told.Unknown();
        }
        if (!best.isRead() && !isEmptyOne(best)) {
            return new Told.Differs(best.by.profile.title());
        }
        Set<String> saved = new LinkedHashSet<>();
        for (int i = 0; i < best.parts.size(); i++) {
            Unwrapped content = best.contents.get(i);
            best.parts.get(i).links(content.member().isEmpty() ? sink : new Inside(sink, content.member()));
            saved.addAll(best.parts.get(i).saved());
        }
        return new Told.Read(best.by.profile.title(), List.copyOf(saved));
    }

    /** What fits is meant before what only begins alike; then what fixes more, and then what was named first. */
    private static boolean isBetter(Held one, Held other) {
        if (one.isRead() != other.isRead()) {
            return one.isRead();
        }
        return one.weight > other.weight;
    }

    private static Optional<Held> held(Described by, ProjectPath path, byte[] bytes) throws IOException, Unreadable {
        Kind kind = by.kind;
        boolean named = by.files.takes(path);
        List<Assembly> parts = new ArrayList<>();
        List<Unwrapped> contents = new ArrayList<>();
        boolean begins = false;
        boolean alike = false;
        Set<Where> sought = new HashSet<>();
        kind.slots().forEach(slot -> sought.add(slot.where()));
        boolean conditions = kind.slots().stream().anyMatch(slot -> !slot.when().isEmpty());
        for (Unwrapped content : Unwrapped.along(path, bytes, kind.unwrap(), Math.max(MOST_UNPACKED, bytes.length))) {
            Beginning beginning = Beginning.of(kind, content.bytes());
            if (beginning == Beginning.OTHER) {
                continue;
            }
            SpotSink.Kept spots = new SpotSink.Kept(MOST_VALUES);
            try {
                kind.content().read(content.bytes(), sought, conditions, spots);
            } catch (Unreadable broken) {
                if (named && (beginning != Beginning.OPEN || kind.begins().equals(Kind.Begins.NOTHING))) {
                    throw broken;
                }
                continue;
            }
            Assembly part = new Assembly(kind, path, content.members());
            part.take(spots.spots());
            parts.add(part);
            contents.add(content);
            begins |= beginning == Beginning.TELLING || (named && beginning == Beginning.LIKE);
            // Any list of paths has the places of a list: of another ending it has to begin like one of the kind.
            alike |= beginning != Beginning.OPEN || kind.begins().equals(Kind.Begins.NOTHING);
        }
        List<Slot> always = kind.slots().stream().filter(Slot::always).toList();
        int found = (int) always.stream().filter(slot -> parts.stream().anyMatch(part -> part.has(slot))).count();
        // Of another ending, a beginning alone is not enough: many programs name the first element of theirs alike.
        boolean bySlots = named || begins ? found > 0 : alike && !always.isEmpty() && found == always.size();
        return parts.isEmpty() || !((begins && named) || bySlots) ? Optional.empty()
                : Optional.of(new Held(by, parts, contents, found, always.size(), named, kind.begins().weight() + (named ? 1 : 0)));
    }

    /** Whether a document without any of the places is only empty: made of nothing that the examples had not. */
    private static boolean isEmptyOne(Held held) throws Unreadable {
        Kind kind = held.by.kind;
        for (Unwrapped content : held.contents) {
            if (kind.content() == Content.BYTES ? namesFiles(content.bytes()) : !isKnown(kind, content)) {
                return false;
            }
        }
        return true;
    }

    private static boolean isKnown(Kind kind, Unwrapped content) throws Unreadable {
        Set<String> made = kind.content().explore(content.bytes(), new SpotSink.Nothing());
        // A statement that had a value in the examples and has none here is another one by the same word.
        boolean otherwise = kind.slots().stream().filter(Slot::always).map(Slot::where)
                .anyMatch(where -> where instanceof Where.InLine line && made.contains(line.section() + "|" + line.begins()));
        return !kind.known().isEmpty() && !otherwise && kind.known().containsAll(made);
    }

    /** Whether any text among bytes ends as a file's name does. */
    private static boolean namesFiles(byte[] bytes) {
        return Texts.among(bytes).stream().anyMatch(hit -> hit.text().matches(".*[^./\\\\]\\.[A-Za-z][A-Za-z0-9]{1,6}"));
    }

    /** Takes the links of a member; relative ones start from the folder of the package. */
    private static final class Inside extends LinkSink {
        private final LinkSink whole;

        Inside(LinkSink whole, String member) {
            super(whole.file(), ProjectPath.of(whole.file().text() + "!/" + member), whole.maxText(), whole.endings(), Allowance.NOTHING);
            this.whole = whole;
        }

        @Override
        protected void take(Link link) {
            whole.takeMember(link);
        }

        @Override
        protected void problem(DocumentLinks.Fault one) {
            whole.adopt(one);
        }
    }
}
