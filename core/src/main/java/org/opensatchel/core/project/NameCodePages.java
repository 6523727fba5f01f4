package org.opensatchel.core.project;

import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.Charset;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.IntPredicate;
import org.opensatchel.base.path.NameFolding;

/**
 * Tells under which code page the names of an archive were written that does not say so. Of the code pages of old systems the one is
 * taken under which most names are named by some link, and then the one whose letters fit together: of one script within a word, no
 * capital behind a small letter, no frame or fraction in a name, and of East Asian signs the common ones.
 */
final class NameCodePages {

    /** The format's own comes first: it is taken where nothing tells another. */
    private static final List<Page> PAGES = List.of(page("IBM437"), page("IBM850"), page("IBM866"), page("windows-1252"),
            page("windows-1250"),
            page("windows-1251"), page("windows-1253"), page("windows-1254"), page("windows-1255"), page("windows-1256"),
            page("windows-1257"),
            page("windows-1258"), wide("windows-31j", NameCodePages::isCommonJapanese), wide("GBK", NameCodePages::isCommonChinese),
            wide("x-windows-949", NameCodePages::isCommonKorean), wide("x-windows-950", NameCodePages::isCommonTaiwanese));
    static final Charset USUAL = PAGES.get(0).charset;

    /** Below this the letters say nothing; so far apart two readings must be that differ. */
    private static final double GOOD = 0.45;
    private static final double APART = 0.04;
    private static final int MOST_NAMES = 2_000;
    private static final int LONGEST_NAME = 1_000;

    /** A code page; of those with signs of two bytes also which of them are common. */
    private record Page(Charset charset, Optional<IntPredicate> common) {}

    /**
     * What was chosen.
     *
     * @param sure whether anything speaks for it
     */
    record Choice(Charset charset, boolean sure) {}

    private record Scored(Page page, int linked, double letters, List<String> names) {}

    private NameCodePages() {
    }

    private static Page page(String name) {
        return new Page(Charset.forName(name), Optional.empty());
    }

    private static Page wide(String name, IntPredicate common) {
        return new Page(Charset.forName(name), Optional.of(common));
    }

    /**
     * @param names names as they are stored, of which none is UTF-8
     * @param linked the last names of what documents link, composed
     */
    static Choice choose(Collection<byte[]> names, Set<String> linked) {
        List<byte[]> some = names.stream().filter(name -> name.length <= LONGEST_NAME).limit(MOST_NAMES).toList();
        if (some.isEmpty()) {
            return new Choice(USUAL, names.isEmpty());
        }
        List<Scored> scored = new ArrayList<>();
        for (Page page : PAGES) {
            scored(page, some, linked).ifPresent(scored::add);
        }
        // The order of the pages decides between equals.
        List<Scored> order = scored.stream().sorted(Comparator.comparingInt(Scored::linked).thenComparingDouble(Scored::letters).reversed())
                .toList();
        if (order.isEmpty()) {
            return new Choice(USUAL, false);
        }
        Scored best = order.get(0);
        Optional<Scored> other = order.stream().filter(next -> !next.names.equals(best.names)).findFirst();
        boolean byLinks = best.linked > other.map(Scored::linked).orElse(0);
        boolean byLetters = best.letters >= GOOD && other.map(next -> best.letters - next.letters >= APART).orElse(true);
        return byLinks || byLetters ? new Choice(best.page.charset, true) : new Choice(USUAL, false);
    }

    private static Optional<Scored> scored(Page page, List<byte[]> names, Set<String> linked) {
        List<String> decoded = new ArrayList<>(names.size());
        double letters = 0;
        int bytes = 0;
        int found = 0;
        for (byte[] name : names) {
            Optional<String> text = decoded(page.charset, name);
            if (text.isEmpty()) {
                return Optional.empty();
            }
            decoded.add(text.get());
            letters += page.common.isPresent() ? signs(name, text.get(), page.common.get()) : letters(text.get());
            bytes += high(name);
            for (String part : text.get().split("[/\\\\]")) {
                found += linked.contains(NameFolding.composed(part)) && part.chars().anyMatch(c -> c > 127) ? 1 : 0;
            }
        }
        return Optional.of(new Scored(page, found, bytes == 0 ? 0 : letters / bytes, decoded));
    }

    private static Optional<String> decoded(Charset charset, byte[] name) {
        try {
            String text = charset.newDecoder().decode(ByteBuffer.wrap(name)).toString();
            boolean controls = text.chars().anyMatch(c -> (c >= 0x80 && c < 0xA0) || c == 0xFFFD || (c >= 0xE000 && c < 0xF900));
            return controls ? Optional.empty() : Optional.of(text);
        } catch (CharacterCodingException other) {
            return Optional.empty();
        }
    }

    private static int high(byte[] name) {
        int count = 0;
        for (byte one : name) {
            count += one < 0 ? 1 : 0;
        }
        return count;
    }

    /** How well the letters beyond ASCII fit what stands beside them; about 1 for each that does. */
    private static double letters(String name) {
        double score = 0;
        for (int i = 0; i < name.length(); i++) {
            char c = name.charAt(i);
            if (c > 127) {
                score += letter(name, i, c);
            }
        }
        return score;
    }

    private static double letter(String name, int at, char c) {
        if (!Character.isLetter(c) || c == 'ª' || c == 'º') {
            boolean mark = Character.getType(c) == Character.NON_SPACING_MARK;
            return mark ? beside(name, at - 1) == Character.UnicodeScript.LATIN ? 0.5 : -0.5 : "’‘“”–—…".indexOf(c) >= 0 ? 0.2 : -1;
        }
        Character.UnicodeScript script = Character.UnicodeScript.of(c);
        Character.UnicodeScript before = beside(name, at - 1);
        Character.UnicodeScript after = beside(name, at + 1);
        if ((before != null && before != script) || (after != null && after != script)) {
            return -1;
        }
        boolean risen = Character.isUpperCase(c) && at > 0 && Character.isLowerCase(name.charAt(at - 1));
        // Letters of the west of Europe are the more likely ones where nothing else tells.
        return risen ? -0.5 : c == 'ƒ' ? -0.2 : script == Character.UnicodeScript.LATIN && c > 0xFF ? 0.9 : 1;
    }

    /** The script of a letter beside another; null where no letter stands. */
    private static Character.UnicodeScript beside(String name, int at) {
        return at >= 0 && at < name.length() && Character.isLetter(name.charAt(at)) ? Character.UnicodeScript.of(name.charAt(at)) : null;
    }

    /** How common the signs of two bytes are: 1 a byte for a common one. */
    private static double signs(byte[] name, String text, IntPredicate common) {
        double score = 0;
        for (int i = 0; i < name.length; i++) {
            if (name[i] >= 0) {
                continue;
            }
            if (i + 1 < name.length) {
                int pair = (name[i] & 0xFF) << 8 | (name[i + 1] & 0xFF);
                boolean highBoth = name[i + 1] < 0;
                score += common.test(pair) ? highBoth ? 2 : 1 : highBoth ? 0.3 : -0.5;
                i++;
            }
        }
        // A word of Latin letters with one sign among them was written under another page.
        for (int i = 1; i < text.length(); i++) {
            boolean mixed = Character.isLetter(text.charAt(i)) && Character.isLetter(text.charAt(i - 1))
                    && (text.charAt(i) > 127) != (text.charAt(i - 1) > 127);
            score -= mixed ? 0.75 : 0;
        }
        return score;
    }

    /** Kana, and the kanji of the first level (JIS X 0208). */
    private static boolean isCommonJapanese(int pair) {
        return (pair >= 0x889F && pair <= 0x9872) || (pair >= 0x829F && pair <= 0x82F1) || (pair >= 0x8340 && pair <= 0x8396)
                || pair == 0x815B;
    }

    /** The first level of GB 2312. */
    private static boolean isCommonChinese(int pair) {
        return pair >= 0xB0A1 && pair <= 0xD7F9 && (pair & 0xFF) >= 0xA1;
    }

    /** The syllables of KS X 1001. */
    private static boolean isCommonKorean(int pair) {
        return pair >= 0xB0A1 && pair <= 0xC8FE && (pair & 0xFF) >= 0xA1;
    }

    /** The frequently used signs of Big5. */
    private static boolean isCommonTaiwanese(int pair) {
        return pair >= 0xA440 && pair <= 0xC67E;
    }
}
