package org.opensatchel.web.format;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import org.opensatchel.formats.described.Kind;
import org.opensatchel.formats.described.Profile;
import org.opensatchel.formats.described.Slot;
import org.opensatchel.formats.described.learn.Learned;

/**
 * What an instructor makes of what was learned: which kinds of documents are kept, and what each place is.
 *
 * @param by the fields of the form that say so: {@code kind-0}, {@code role-0-a}
 */
record Choices(Map<String, String> by) {

    private static final String LEFT_OUT = "no";

    Choices {
        by = new TreeMap<>(by);
        by.keySet().removeIf(key -> !key.matches("kind-[0-9]{1,2}|role-[0-9]{1,2}-[a-z0-9]{1,6}"));
    }

    /** The fields as an address carries them. */
    String query() {
        StringBuilder out = new StringBuilder();
        by.forEach((key, value) -> out.append('&').append(key).append('=').append(value.replaceAll("[^a-z]", "")));
        return out.toString();
    }

    boolean keeps(int kind) {
        return !LEFT_OUT.equals(by.get("kind-" + kind));
    }

    /** What a place is: what was chosen, else what was learned. */
    String role(int kind, Slot slot, boolean undecided) {
        String learned = undecided ? word(Slot.Role.ALONE) : word(slot.role());
        String chosen = by.getOrDefault("role-" + kind + "-" + slot.id(), learned);
        return chosen.equals(word(Slot.Role.LINK)) || chosen.equals(word(Slot.Role.ALONE)) ? chosen : learned;
    }

    static String word(Slot.Role role) {
        return role.name().toLowerCase(Locale.ROOT);
    }

    /** The description they make; empty where no link is left. */
    Optional<Profile> profile(Learned learned, String title) {
        List<Kind> kinds = new ArrayList<>();
        for (int i = 0; i < learned.kinds().size(); i++) {
            if (keeps(i)) {
                Kind kind = kind(i, learned.kinds().get(i));
                if (kind.slots().stream().anyMatch(slot -> slot.role() == Slot.Role.LINK)) {
                    kinds.add(kind);
                }
            }
        }
        return kinds.isEmpty() ? Optional.empty() : Optional.of(new Profile(title, kinds));
    }

    private Kind kind(int number, Kind kind) {
        List<Slot> slots = new ArrayList<>();
        List<Slot> open = new ArrayList<>();
        Set<String> out = new HashSet<>();
        kind.slots().stream().filter(slot -> role(number, slot, false).equals(word(Slot.Role.ALONE))).map(Slot::id).forEach(out::add);
        kind.slots().forEach(
                slot -> slots.add(with(slot, Slot.Role.valueOf(role(number, slot, false).toUpperCase(Locale.ROOT)), out)));
        for (Slot slot : kind.undecided()) {
            boolean link = role(number, slot, true).equals(word(Slot.Role.LINK));
            (link ? slots : open).add(link ? with(slot, Slot.Role.LINK, out) : slot);
        }
        return new Kind(kind.files(), kind.begins(), kind.unwrap(), kind.content(), slots, open, kind.absolute(),
                kind.known());
    }

    /** A place as something else; what belonged to one that is let alone stands for itself. */
    private static Slot with(Slot slot, Slot.Role role, Set<String> out) {
        boolean alone = role == Slot.Role.ALONE;
        boolean orphan = slot.of().filter(out::contains).isPresent() && !alone;
        Slot.Role now = orphan && role == Slot.Role.SAME ? Slot.Role.LINK : orphan ? Slot.Role.ALONE : role;
        boolean changed = now != slot.role();
        Slot.Start starts = slot.starts() instanceof Slot.Start.Base base && out.contains(base.slot()) ? new Slot.Start.Document()
                : slot.starts();
        return new Slot(slot.id(), slot.where(), now, slot.when(), slot.base64(), slot.escapes(), slot.writing(), slot.backslashes(),
                changed ? Optional.empty() : slot.of(), changed ? 0 : slot.within(), starts, slot.prefixes(), slot.numbers(),
                slot.nothing(),
                slot.empty(), slot.always() && now != Slot.Role.ALONE, slot.evidence());
    }
}
