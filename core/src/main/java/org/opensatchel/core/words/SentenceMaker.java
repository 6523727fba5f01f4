package org.opensatchel.core.words;

import static org.opensatchel.base.fact.FactName.MORE;
import com.ibm.icu.text.ListFormatter;
import java.text.NumberFormat;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.opensatchel.base.fact.Fact;
import org.opensatchel.base.fact.FactName;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.fact.Phrase;
import org.opensatchel.base.fact.Wording;
import org.opensatchel.core.location.Machine;

/**
 * Makes sentences of one language out of patterns and facts. A fact never enters a pattern itself: a mark stands for it while the sentence is
 * put together and is then replaced, so that no name can change what is said around it. Used from many threads at once.
 */
final class SentenceMaker {

    /** Marks stand in a private area of Unicode; of so many facts no sentence is made. */
    private static final int FIRST_MARK = 0xE000;
    private static final int MOST_MARKS = 0x400;
    /** What stands for a fact that is absent where a form is chosen by it. */
    private static final String NONE = "none";
    private static final int MOST_NAMES = 4;
    private static final int MOST_TEXTS = 20;

    private static final String FORMAT_KEY = FactName.FORMAT.word() + ".";
    /** Reports from before formats had ids have their English names, as keys of these. */
    private static final Map<String, String> FORMERLY = formerly();

    private final Bundle bundle;
    private final String open;
    private final String close;

    SentenceMaker(Bundle bundle) {
        this.bundle = bundle;
        this.open = bundle.text("quote.open");
        this.close = bundle.text("quote.close");
    }

    private static Map<String, String> formerly() {
        Map<String, String> out = new HashMap<>(
                Map.of("no known format", FORMAT_KEY + "no-known-format", "kit rules", FORMAT_KEY + "kit-rules"));
        Bundle english = Bundle.of(Locale.ENGLISH);
        english.keys().stream().filter(key -> key.startsWith(FORMAT_KEY)).forEach(key -> out.put(english.text(key), key));
        return Map.copyOf(out);
    }

    private Sentence say(Phrase phrase) {
        return say(phrase.key(), phrase.facts());
    }

    /**
     * What stands under a key, filled with facts; a key that is not known says itself, which only a report from a later version can bring.
     */
    Sentence say(String key, Facts facts) {
        if (!bundle.has(key)) {
            return Sentence.words(key);
        }
        Bundle.Pattern pattern = bundle.pattern(key);
        List<List<Sentence.Piece>> marked = new ArrayList<>();
        Map<String, Object> values = new HashMap<>();
        for (String word : pattern.names()) {
            Optional<Fact> fact = FactName.of(word).flatMap(facts::get);
            values.put(word, fact.isPresent() ? value(FactName.of(word).orElseThrow(), fact.get(), marked) : absent(word, pattern));
        }
        return new Sentence(pieces(pattern.format(values), marked), open, close);
    }

    /**
     * What stands under a key, filled in order: {@code {0}} with the first value. Texts are set in as they are, numbers and words from a
     * fixed list may choose a form.
     */
    String fill(String key, Object... values) {
        if (!bundle.has(key)) {
            return key;
        }
        List<List<Sentence.Piece>> marked = new ArrayList<>();
        Map<String, Object> named = new HashMap<>();
        for (int i = 0; i < values.length; i++) {
            named.put(Integer.toString(i), filling(values[i], marked));
        }
        Bundle.Pattern pattern = bundle.pattern(key);
        return new Sentence(pieces(pattern.format(named), marked), open, close).toString();
    }

    private static Object filling(Object value, List<List<Sentence.Piece>> marked) {
        if (value instanceof Number) {
            return value;
        }
        if (value instanceof Enum<?> constant) {
            return Wording.word(constant);
        }
        if (value instanceof Boolean) {
            return value.toString();
        }
        String text = value == null ? "" : value.toString();
        if (text.isEmpty()) {
            return "";
        }
        marked.add(List.of(new Sentence.Piece(text, false)));
        return Character.toString(FIRST_MARK + marked.size() - 1);
    }

    private static Object absent(String word, Bundle.Pattern pattern) {
        boolean number = FactName.of(word).map(name -> name.kind() == FactName.Kind.COUNT).orElse(false);
        return number ? 0L : pattern.choosing().contains(word) ? NONE : "";
    }

    private Object value(FactName name, Fact fact, List<List<Sentence.Piece>> marked) {
        if (fact instanceof Fact.Number number && name.kind() == FactName.Kind.COUNT) {
            return number.value();
        }
        if (name.kind() == FactName.Kind.WORD) {
            return ((Fact.Text) fact).value();
        }
        List<Sentence.Piece> pieces = shown(name, fact);
        if (pieces.isEmpty() || marked.size() == MOST_MARKS) {
            return "";
        }
        marked.add(pieces);
        return Character.toString(FIRST_MARK + marked.size() - 1);
    }

    private List<Sentence.Piece> shown(FactName name, Fact fact) {
        if (fact instanceof Fact.Text text) {
            return switch (name.kind()) {
                case NAME -> List.of(new Sentence.Piece(text.value(), true));
                case TERM -> words(term(name, text.value()), text.value());
                default -> List.of(new Sentence.Piece(text.value(), false));
            };
        }
        if (fact instanceof Fact.Number bytes) {
            return List.of(new Sentence.Piece(size(bytes.value()), false));
        }
        if (fact instanceof Fact.Decimal decimal) {
            if (name.kind() == FactName.Kind.SECONDS) {
                return List.of(new Sentence.Piece(length(decimal.value()), false));
            }
            return List.of(new Sentence.Piece(NumberFormat.getInstance(bundle.locale()).format(decimal.value()), false));
        }
        if (fact instanceof Fact.Texts texts) {
            return texts(name, texts);
        }
        if (fact instanceof Fact.SaidAll all) {
            return joined(all.phrases().stream().map(phrase -> say(phrase).pieces()).toList(), false);
        }
        return say(((Fact.Said) fact).phrase()).pieces();
    }

    /** What a format is called, by its id. */
    String format(String id) {
        return words(format(id, ""), id).get(0).text();
    }

    private static String term(FactName name, String value) {
        return switch (name) {
            case CODE -> value + ".title";
            case FORMAT -> format(value, FORMERLY.getOrDefault(value, ""));
            default -> name.word() + "." + value.toLowerCase(Locale.ROOT).replace(' ', '-').replace('_', '-');
        };
    }

    /** @param otherwise the key where the value is no id */
    private static String format(String id, String otherwise) {
        String key = FORMAT_KEY + id;
        return Words.ENGLISH.has(key) ? key : otherwise;
    }

    private List<Sentence.Piece> words(String key, String otherwise) {
        return List.of(new Sentence.Piece(bundle.has(key) ? bundle.text(key) : otherwise, false));
    }

    private List<Sentence.Piece> texts(FactName name, Fact.Texts texts) {
        if (name.kind() == FactName.Kind.WORDS) {
            return joined(texts.values().stream().map(word -> words(name.word() + "." + word, word)).toList(), true);
        }
        boolean named = name.kind() == FactName.Kind.NAMES;
        List<String> shown = texts.values().subList(0, Math.min(named ? MOST_NAMES : MOST_TEXTS, texts.values().size()));
        List<List<Sentence.Piece>> each = shown.stream()
                .map(text -> List.of(new Sentence.Piece(name == FactName.MACHINES ? machine(text) : text, named))).toList();
        int more = texts.all() - shown.size();
        boolean few = named || name == FactName.PEOPLE || name == FactName.MACHINES;
        List<Sentence.Piece> list = few && more == 0 ? joined(each, false) : separated(each);
        return more == 0 ? list : around(say("list.more", Facts.of(MORE, more)).toString(), list);
    }

    /** A machine's title: that of one of ours in this language, any other as it was given. */
    String machine(String title) {
        return Machine.SHIPPED.stream().filter(machine -> machine.title().equals(title)).map(machine -> "machine." + machine.name())
                .findFirst().map(bundle::text).orElse(title);
    }

    /** Several texts as the language lists them, the last with its word for and. */
    String list(List<String> texts) {
        return ListFormatter.getInstance(bundle.locale(), ListFormatter.Type.AND, ListFormatter.Width.WIDE).format(texts);
    }

    /** A list as the language writes it: with its word for and, or for or, before the last. */
    private List<Sentence.Piece> joined(List<List<Sentence.Piece>> each, boolean or) {
        List<String> marks = new ArrayList<>();
        for (int i = 0; i < Math.min(each.size(), MOST_MARKS); i++) {
            marks.add(Character.toString(FIRST_MARK + i));
        }
        ListFormatter format = ListFormatter.getInstance(bundle.locale(), or ? ListFormatter.Type.OR : ListFormatter.Type.AND,
                ListFormatter.Width.WIDE);
        return pieces(format.format(marks), each);
    }

    private static List<Sentence.Piece> separated(List<List<Sentence.Piece>> each) {
        List<Sentence.Piece> out = new ArrayList<>();
        each.forEach(one -> {
            out.addAll(out.isEmpty() ? List.of() : List.of(new Sentence.Piece(", ", false)));
            out.addAll(one);
        });
        return out;
    }

    private static List<Sentence.Piece> around(String more, List<Sentence.Piece> list) {
        List<Sentence.Piece> out = new ArrayList<>(list);
        out.add(new Sentence.Piece(" " + more, false));
        return out;
    }

    /** A time as a person would say it: in seconds up to a minute and a half, then in minutes, hours and days. */
    String length(double seconds) {
        if (seconds < 90) {
            double shown = Math.round(seconds * 100) / 100.0;
            return shown == Math.rint(shown) ? say("length.seconds", Facts.of(FactName.COUNT, (long) shown)).toString()
                    : say("length.part", Facts.of(FactName.VALUE, shown)).toString();
        }
        long whole = Math.round(seconds);
        if (whole >= 2 * 86_400) {
            return say("length.days", Facts.of(FactName.COUNT, whole / 86_400)).toString();
        }
        if (whole >= 2 * 3_600) {
            return say("length.hours", Facts.of(FactName.COUNT, whole / 3_600).and(FactName.NUMBER, whole / 60 % 60)).toString();
        }
        return say("length.minutes", Facts.of(FactName.COUNT, whole / 60).and(FactName.NUMBER, whole % 60)).toString();
    }

    /** A number of bytes in the unit a person would use. */
    String size(long bytes) {
        if (bytes < 1_000) {
            return say("size.bytes", Facts.of(FactName.COUNT, bytes)).toString();
        }
        String[] units = {"kB", "MB", "GB", "TB"};
        double value = bytes / 1_000.0;
        int unit = 0;
        while (value >= 999.5 && unit < units.length - 1) {
            value /= 1_000;
            unit++;
        }
        NumberFormat format = NumberFormat.getInstance(bundle.locale());
        format.setMaximumFractionDigits(value < 10 ? 1 : 0);
        return format.format(value) + " " + units[unit];
    }

    /** A text with its marks replaced by what they stand for; words that meet are one piece. */
    private static List<Sentence.Piece> pieces(String text, List<List<Sentence.Piece>> marked) {
        List<Sentence.Piece> out = new ArrayList<>();
        StringBuilder words = new StringBuilder();
        for (int i = 0; i < text.length(); i++) {
            int mark = text.charAt(i) - FIRST_MARK;
            if (mark < 0 || mark >= marked.size()) {
                words.append(text.charAt(i));
                continue;
            }
            for (Sentence.Piece piece : marked.get(mark)) {
                if (piece.isName()) {
                    flush(out, words);
                    out.add(piece);
                } else {
                    words.append(piece.text());
                }
            }
        }
        flush(out, words);
        return out;
    }

    private static void flush(List<Sentence.Piece> out, StringBuilder words) {
        if (!words.isEmpty()) {
            out.add(new Sentence.Piece(words.toString(), false));
            words.setLength(0);
        }
    }
}
