package org.opensatchel.formats.described;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.opensatchel.base.path.LinkAddress;
import org.opensatchel.base.path.LinkForm;
import org.opensatchel.base.path.LinkText;
import org.opensatchel.base.path.Notation;
import org.opensatchel.base.path.PercentCoding;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.formats.link.Link;
import org.opensatchel.formats.link.LinkSink;

/** Puts the values of one document together to its links: forms of one link, folders and names, and what paths start from. */
final class Assembly {

    private static final int MOST_BASES = 16;

    private final Kind kind;
    private final ProjectPath file;
    private final Set<String> members;
    private final Map<String, List<Entry>> bySlot = new LinkedHashMap<>();
    private final Map<String, int[]> last = new HashMap<>();

    /** A value of a slot, and what belongs to it. */
    private static final class Entry {
        private final Slot slot;
        private final Spot spot;
        private final String text;
        private final List<Entry> forms = new ArrayList<>();
        private Entry folder;
        private final int index;
        private boolean taken;

        /** @param index which of its slot's values it is */
        Entry(Slot slot, Spot spot, int index) {
            this.index = index;
            this.slot = slot;
            this.spot = spot;
            String value = Value.of(slot, spot.text());
            this.text = slot.nothing().contains(value) ? "" : value;
        }
    }

    Assembly(Kind kind, ProjectPath file, Set<String> members) {
        this.kind = kind;
        this.file = file;
        this.members = members;
    }

    /** Takes the values of the document in their order. */
    void take(List<Spot> spots) {
        Map<Where, List<Slot>> byWhere = new HashMap<>();
        kind.slots().forEach(slot -> byWhere.computeIfAbsent(slot.where(), key -> new ArrayList<>(1)).add(slot));
        for (Spot spot : spots) {
            for (Slot slot : byWhere.getOrDefault(spot.where(), List.of())) {
                if (slot.takes(spot.level())) {
                    List<Entry> entries = bySlot.computeIfAbsent(slot.id(), key -> new ArrayList<>());
                    entries.add(new Entry(slot, spot, entries.size()));
                }
            }
        }
        for (Slot slot : kind.slots()) {
            slot.of().filter(bySlot::containsKey).ifPresent(of -> join(slot, bySlot.get(of)));
        }
    }

    /** Whether a slot has a value here. */
    boolean has(Slot slot) {
        return bySlot.containsKey(slot.id());
    }

    private void join(Slot slot, List<Entry> to) {
        List<Entry> own = bySlot.getOrDefault(slot.id(), List.of());
        if (slot.role() == Slot.Role.FOLDER) {
            to.forEach(entry -> entry.folder = before(slot.id(), entry, slot.within()).orElse(null));
            return;
        }
        int[] pairs = Joining.pairs(spots(own), spots(to), slot.within());
        for (int i = 0; i < pairs.length; i++) {
            if (pairs[i] >= 0) {
                to.get(pairs[i]).forms.add(own.get(i));
                own.get(i).taken = true;
            }
        }
    }

    private static List<Spot> spots(List<Entry> entries) {
        return entries.stream().map(entry -> entry.spot).toList();
    }

    /** The last value of a slot before an entry within the same part of the document; where there is none, the first behind it. */
    private Optional<Entry> before(String of, Entry entry, int within) {
        List<Entry> own = bySlot.getOrDefault(of, List.of());
        int[] found = found(of, own, entry.slot, within);
        int at = own.isEmpty() ? -1 : found[entry.index];
        return at < 0 ? Optional.empty() : Optional.of(own.get(at));
    }

    private int[] found(String of, List<Entry> own, Slot slot, int within) {
        return last.computeIfAbsent(of + " " + within + " " + slot.id(),
                key -> Joining.last(spots(bySlot.get(slot.id())), spots(own), within));
    }

    /** Hands every link to the sink. */
    void links(LinkSink sink) {
        List<Entry> links = new ArrayList<>();
        bySlot.values().forEach(entries -> entries.stream()
                .filter(entry -> entry.slot.role() == Slot.Role.LINK || (entry.slot.role() == Slot.Role.SAME && !entry.taken))
                .forEach(links::add));
        links.sort(Comparator.comparingLong((Entry entry) -> entry.spot.anchor()).thenComparing(entry -> entry.slot.id()));
        links.forEach(entry -> link(entry, sink));
    }

    private void link(Entry entry, LinkSink sink) {
        List<Entry> all = new ArrayList<>();
        all.add(entry);
        all.addAll(entry.forms);
        all.removeIf(one -> one.text.isBlank());
        if (all.isEmpty()) {
            return;
        }
        Entry first = all.remove(0);
        Written main = written(first);
        if (isMember(main)) {
            return;
        }
        List<String> also = new ArrayList<>();
        main.decoded().ifPresent(also::add);
        all.forEach(other -> {
            Written form = written(other);
            also.add(form.from(main.notation));
            form.decoded().ifPresent(also::add);
        });
        sink.link(entry.spot.place(), main.text, main.notation).reading(main.path).base(main.base)
                .standing(main.anywhere ? Link.Standing.NAMED : kind.absolute() ? Link.Standing.WHOLE : Link.Standing.STATED).also(also)
                .forms(all.stream().map(other -> written(other).text).toList()).add();
    }

    /** Whether a path names a member of the document's own package. */
    private boolean isMember(Written main) {
        return !members.isEmpty() && LinkText.read(main.path, main.notation).filter(address -> address.form() == LinkForm.RELATIVE)
                .filter(address -> members.contains(String.join("/", address.names()))).isPresent();
    }

    /** A value as it is looked up. */
    private record Written(String text, String path, String base, Notation notation, boolean anywhere, boolean open) {

        /** The same looked up from the same folder in another notation. */
        String from(Notation other) {
            boolean absolute = LinkText.read(path, notation).filter(address -> address.form().isAbsolute()).isPresent();
            String whole = absolute ? path : base + path;
            return notation.isUri() == other.isUri() || path.regionMatches(true, 0, "file:", 0, 5) ? whole
                    : notation.isUri() ? PercentCoding.decode(LinkText.withoutQuery(whole)) : PercentCoding.encode(whole);
        }

        /** What it may mean as well, where nobody knows whether it is encoded. */
        Optional<String> decoded() {
            String plain = PercentCoding.decode(path);
            return open && !plain.equals(path) ? Optional.of(plain) : Optional.empty();
        }
    }

    private Written written(Entry entry) {
        return written(entry, 0);
    }

    /** @param bases how many others are bases of one another already; a document may hold a row of them without an end */
    private Written written(Entry entry, int bases) {
        Slot slot = entry.slot;
        String text = entry.folder == null || entry.folder.text.isBlank() ? entry.text : joined(entry.folder.text, entry.text);
        Notation notation = slot.writing() == Slot.Writing.URI ? Notation.URI : slot.backslashes() ? Notation.SLASHED : Notation.PLAIN;
        String path = text;
        Slot.Start start = slot.starts();
        for (Slot.Prefix prefix : slot.prefixes()) {
            if (text.startsWith(prefix.text())) {
                path = text.substring(prefix.text().length());
                start = prefix.starts();
                break;
            }
        }
        if (slot.numbers().isPresent()) {
            path = numbered(path, slot.numbers().get());
        }
        return new Written(text, path, base(start, entry, notation, bases), notation, start instanceof Slot.Start.Anywhere,
                slot.writing() == Slot.Writing.EITHER);
    }

    private static String joined(String folder, String name) {
        boolean ends = folder.endsWith("/") || folder.endsWith("\\");
        return ends ? folder + name : folder + "/" + name;
    }

    /** A set's number as {@link Link#FRAME_MARK} has it. */
    private static String numbered(String path, String mark) {
        int slash = Math.max(path.lastIndexOf('/'), path.lastIndexOf('\\')) + 1;
        boolean run = mark.chars().distinct().count() == 1;
        int at = path.indexOf(run ? mark.substring(0, 1) : mark, slash);
        if (at < 0) {
            return path;
        }
        int end = at + (run ? 0 : mark.length());
        while (run && end < path.length() && path.charAt(end) == mark.charAt(0)) {
            end++;
        }
        return path.substring(0, at) + Link.FRAME_MARK + path.substring(end);
    }

    /** What relative paths of a value start from, seen from the document's folder; ends in a slash unless it is empty. */
    private String base(Slot.Start start, Entry entry, Notation notation, int bases) {
        String up = "../".repeat(Math.max(0, file.depth() - 1));
        if (start instanceof Slot.Start.Root) {
            return up;
        }
        if (start instanceof Slot.Start.Folder folder) {
            return up + (notation.isUri() ? PercentCoding.encode(folder.path()) : folder.path()) + "/";
        }
        if (start instanceof Slot.Start.Base base && bases < MOST_BASES) {
            Optional<Entry> set = before(base.slot(), entry, base.within());
            return set.filter(one -> !one.text.isBlank() && one.slot != entry.slot).map(one -> {
                Written folder = written(one, bases + 1);
                String whole = folder.from(notation);
                return whole.endsWith("/") || whole.endsWith("\\") ? whole : whole + "/";
            }).orElse("");
        }
        return "";
    }

    /** The roots of the project that the document says it was saved under. */
    List<String> saved() {
        List<String> out = new ArrayList<>();
        for (Slot slot : kind.slots()) {
            if (slot.role() == Slot.Role.SAVED) {
                bySlot.getOrDefault(slot.id(), List.of())
                        .forEach(entry -> root(written(entry), slot.starts() instanceof Slot.Start.Root).filter(root -> !out.contains(root))
                                .ifPresent(out::add));
            }
        }
        return out;
    }

    /**
     * The root that a saved place speaks of: it is that, or ends as the document's own path in the project does, or as that of its folder.
     * A document that was renamed or moved since tells nothing.
     */
    private Optional<String> root(Written saved, boolean isRoot) {
        Optional<LinkAddress> address = LinkText.read(saved.path, saved.notation)
                .filter(one -> one.form().isAbsolute() && !one.names().isEmpty());
        if (address.isEmpty()) {
            return Optional.empty();
        }
        List<String> names = address.get().names();
        if (isRoot) {
            return Optional.of(address.get().prefix(names.size()));
        }
        return Stream.of(file, file.parent()).map(ProjectPath::names).filter(own -> !own.isEmpty() && names.size() > own.size())
                .filter(own -> names.subList(names.size() - own.size(), names.size()).equals(own)).findFirst()
                .map(own -> address.get().prefix(names.size() - own.size()));
    }
}
