package org.opensatchel.formats.described.learn;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.function.Predicate;
import org.opensatchel.formats.described.Texts;
import org.opensatchel.formats.described.Texts.Hit;
import org.opensatchel.formats.described.Where;

/**
 * Where texts stand in a file that is no text: which numbers before them tell their length, and what marks stand before those. Only texts
 * that lead to files speak; what else stands at a mark is counted afterwards.
 */
final class ByteGuess {

    /** A mark is looked for so far before a length. */
    private static final int FARTHEST = 24;
    private static final int LONGEST_MARK = 4;
    private static final int LEAST = 3;
    private static final int MOST_MARKS = 24;
    private static final int MOST_ALIKE = 8;
    /** Texts that lead somewhere, of all contents; more say no more. */
    private static final int MOST_HEARD = 6_000;

    private final List<Heard> heard = new ArrayList<>();

    /** A text that leads to a file, and the bytes it stands in. */
    private record Heard(byte[] bytes, Hit hit) {}

    /** Looks through a content. */
    void take(byte[] bytes, Predicate<String> leads) {
        for (Hit hit : Texts.among(bytes)) {
            if (heard.size() < MOST_HEARD && leads.test(hit.text())) {
                heard.add(new Heard(bytes, hit));
            }
        }
    }

    /** The places that the texts found stand at, the likeliest first. */
    List<Where> places() {
        List<Where> out = new ArrayList<>();
        Map<String, List<Heard>> byExtent = new TreeMap<>();
        for (Heard one : heard) {
            byExtent.computeIfAbsent(one.hit.chars().word() + "/" + one.hit.extent().field().ordinal() + one.hit.extent(),
                    key -> new ArrayList<>()).add(one);
        }
        byExtent.values().stream().filter(group -> group.size() >= 2)
                .forEach(group -> marks(group).forEach(mark -> out.add(new Where.InBytes(mark, group.get(0).hit.extent(),
                        group.get(0).hit.chars()))));
        return out;
    }

    /** The marks that parts of a group share, and none at all. */
    private static Set<String> marks(List<Heard> group) {
        Map<String, Set<Integer>> found = new HashMap<>();
        for (int i = 0; i < group.size(); i++) {
            Heard one = group.get(i);
            for (int distance = 0; distance <= FARTHEST; distance++) {
                for (int length = LONGEST_MARK; length >= 1; length--) {
                    int from = one.hit.number() - distance - length;
                    if (from >= 0 && isMark(one.bytes, from, length, distance)) {
                        found.computeIfAbsent(hex(one.bytes, from, length) + "??".repeat(distance), key -> new HashSet<>()).add(i);
                    }
                }
            }
        }
        List<Map.Entry<String, Set<Integer>>> shared = new ArrayList<>(found.entrySet());
        shared.removeIf(entry -> entry.getValue().size() < LEAST && entry.getValue().size() < group.size());
        // What most share says most; among those, what is longest and nearest.
        shared.sort((a, b) -> {
            int count = Integer.compare(b.getValue().size(), a.getValue().size());
            int fixed = Integer.compare(fixed(b.getKey()), fixed(a.getKey()));
            int near = Integer.compare(a.getKey().length(), b.getKey().length());
            return count != 0 ? count : fixed != 0 ? fixed : near != 0 ? near : a.getKey().compareTo(b.getKey());
        });
        Set<String> out = new TreeSet<>();
        Set<Integer> covered = new HashSet<>();
        int alike = 0;
        for (Map.Entry<String, Set<Integer>> entry : shared) {
            boolean more = entry.getValue().stream().filter(hit -> !covered.contains(hit)).limit(LEAST).count() >= LEAST;
            // Several that hold the same are tried: which of them holds nothing else is counted afterwards.
            if (out.size() < MOST_MARKS && (more || (alike < MOST_ALIKE && entry.getValue().size() == shared.get(0).getValue().size()))) {
                alike += more ? 0 : 1;
                covered.addAll(entry.getValue());
                out.add(entry.getKey());
            }
        }
        out.add("");
        return out;
    }

    private static int fixed(String mark) {
        return mark.replace("?", "").length() / 2;
    }

    /** Letters, or right before the length anything but zeros: numbers that happen to be alike are no marks. */
    private static boolean isMark(byte[] bytes, int from, int length, int distance) {
        boolean letters = true;
        boolean something = false;
        for (int i = from; i < from + length; i++) {
            letters &= (bytes[i] >= 'A' && bytes[i] <= 'Z') || (bytes[i] >= 'a' && bytes[i] <= 'z') || bytes[i] == '_'
                    || (bytes[i] >= '0' && bytes[i] <= '9') || (bytes[i] == ' ' && i > from);
            something |= bytes[i] != 0;
        }
        return letters && length >= 2 || (distance == 0 && something && length <= 2);
    }

    private static String hex(byte[] bytes, int from, int length) {
        StringBuilder out = new StringBuilder();
        for (int i = from; i < from + length; i++) {
            out.append(String.format(Locale.ROOT, "%02x", bytes[i] & 0xFF));
        }
        return out.toString();
    }

    /** The bytes that contents begin with alike; of a single one the letters it begins with, or else four bytes. */
    static String begins(List<byte[]> contents) {
        byte[] first = contents.get(0);
        int length = Math.min(16, first.length);
        for (byte[] other : contents) {
            int same = 0;
            while (same < Math.min(length, other.length) && other[same] == first[same]) {
                same++;
            }
            length = same;
        }
        int letters = 0;
        while (letters < length && first[letters] > ' ' && first[letters] < 0x7F) {
            letters++;
        }
        int kept = letters >= 3 ? Math.min(8, letters) : contents.size() > 1 ? Math.min(8, length) : Math.min(4, length);
        return kept < 2 ? "" : hex(first, 0, kept);
    }
}
