package org.opensatchel.core.words;

import static org.assertj.core.api.Assertions.assertThat;

import com.ibm.icu.text.MessagePattern;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.opensatchel.base.fact.FactName;
import org.opensatchel.base.fact.Wording;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.OwnClasses;
import org.opensatchel.core.check.rule.Rules;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Family;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.kit.KitFlag;
import org.opensatchel.core.lint.LintCode;
import org.opensatchel.core.lint.LintWording;
import org.opensatchel.core.location.Machine;
import org.opensatchel.core.report.Report;
import org.opensatchel.formats.Formats;

/** Every language says everything, and nothing else; and each thing with the facts that it declares. */
class BundleTest {

    /** What is told of every path. */
    private static final Set<FactName> OF_A_PATH = EnumSet.of(FactName.PATH, FactName.NAME, FactName.IN, FactName.AT);
    private static final Set<FactName.Kind> NEVER_SHOWN = EnumSet.of(FactName.Kind.WORD);

    static Stream<Locale> languages() {
        return Words.languages().stream();
    }

    private static final List<Wording> WORDINGS = wordings();
    private static final Map<String, Set<FactName>> EXPECTED = expected();

    private static List<Wording> wordings() {
        List<Wording> out = new ArrayList<>(KitFlag.wordings().toList());
        new ClassFileImporter().withImportOption(new OwnClasses()).importPackages("org.opensatchel")
                .stream()
                .filter(type -> type.isEnum() && type.isAssignableTo(Wording.class)).forEach(type -> {
                    for (Object constant : type.reflect().getEnumConstants()) {
                        out.add((Wording) constant);
                    }
                });
        assertThat(out).hasSizeGreaterThan(200);
        return out;
    }

    /** Every key there has to be, with the facts it may name. */
    private static Map<String, Set<FactName>> expected() {
        Map<String, Set<FactName>> out = new TreeMap<>();
        for (Code code : Code.values()) {
            out.put(code.id() + ".title", Set.of());
        }
        for (Code code : Rules.judged()) {
            Set<FactName> one = new HashSet<>(code.facts());
            one.addAll(OF_A_PATH);
            Set<FactName> many = new HashSet<>(code.facts());
            many.addAll(Set.of(FactName.COUNT, FactName.PATH));
            out.put(code.id() + ".one", one);
            out.put(code.id() + ".many", many);
            out.put(code.id() + ".why", one);
            Set<FactName> remedy = new HashSet<>(one);
            remedy.add(FactName.COUNT);
            out.put(code.id() + ".remedy.1", remedy);
            out.put(code.id() + ".example.from", Set.of());
            out.put(code.id() + ".example.to", Set.of());
        }
        for (Wording wording : WORDINGS) {
            out.put(wording.key(), wording.takes());
            if (wording instanceof LintWording) {
                out.put(wording.key() + ".remedy", wording.takes());
            }
        }
        Stream.of(LintCode.values()).forEach(code -> out.put(code.id() + ".title", Set.of()));
        Stream.of(Family.values()).forEach(family -> out.put("family." + family.word(), Set.of()));
        Formats.documents().forEach(reader -> out.put("format." + reader.id(), Set.of()));
        List.of("format.no-known-format", "format.kit-rules", "quote.open", "quote.close", "size.bytes")
                .forEach(key -> out.put(key, Set.of(FactName.COUNT)));
        List.of("list.more", "more.same", "more.following").forEach(key -> out.put(key, Set.of(FactName.MORE)));
        Machine.SHIPPED.forEach(machine -> out.put("machine." + machine.name(), Set.of()));
        Stream.of(Code.values()).filter(code -> code.family() == Family.LINK).forEach(code -> {
            String key = "guess." + code.id().substring("link.".length());
            if (Words.ENGLISH.has(key)) {
                Set<FactName> takes = EnumSet.copyOf(OF_A_PATH);
                takes.addAll(code.facts());
                out.put(key, takes);
            }
        });
        List.of("guess.title", "guess.many", "guess.why", "guess.remedy.1")
                .forEach(key -> out.put(key, Set.of(FactName.COUNT, FactName.PATH)));
        List.of("slide", "sheet", "drawing", "cell", "text", "notes", "header", "footer", "page", "paragraph", "clip", "track", "element")
                .forEach(place -> out.put("place." + place, Set.of()));
        out.put("unread-documents", Set.of(FactName.COUNT, FactName.OTHERS));
        out.put("unheard-sounds", Set.of(FactName.OTHERS));
        out.put("length.seconds", Set.of(FactName.COUNT));
        out.put("length.part", Set.of(FactName.VALUE));
        out.put("length.days", Set.of(FactName.COUNT));
        out.put("length.hours", Set.of(FactName.COUNT, FactName.NUMBER));
        out.put("length.minutes", Set.of(FactName.COUNT, FactName.NUMBER));
        Report.NOT_CHECKED.forEach(key -> out.put("not-checked." + key, Set.of()));
        Stream.of(org.opensatchel.core.location.StorageKind.values()).forEach(kind -> out.put("allowed." + Wording.word(kind), Set.of()));
        Stream.of(org.opensatchel.core.location.LocationPolicy.Avoided.values())
                .forEach(place -> out.put("places." + Wording.word(place), Set.of()));
        out.put("sarif.root", Set.of(FactName.FOUND));
        return out;
    }

    @ParameterizedTest
    @MethodSource("languages")
    void everyKeyIsThereAndNoOther(Locale language) {
        Set<String> there = new TreeSet<>(Words.in(language).bundle().keys());
        there.removeIf(key -> key.matches(".*\\.remedy\\.[2-9]"));
        assertThat(there).isEqualTo(EXPECTED.keySet());
    }

    @ParameterizedTest
    @MethodSource("languages")
    void patternsNameOnlyFactsThatAreDeclared(Locale language) {
        Bundle bundle = Words.in(language).bundle();
        List<String> wrong = new ArrayList<>();
        for (String key : new TreeSet<>(bundle.keys())) {
            if (key.contains(".example.") || key.endsWith(".title") || key.startsWith("place.")) {
                // Said as they stand.
                continue;
            }
            Set<FactName> declared = EXPECTED.get(key.replaceFirst("\\.remedy\\.[2-9]$", ".remedy.1"));
            for (String word : bundle.pattern(key).names()) {
                if (FactName.of(word).filter(declared::contains).isEmpty()) {
                    wrong.add(key + " names " + word);
                }
            }
            wrong.addAll(shownThoughItOnlyChooses(key, bundle.text(key)));
        }
        assertThat(wrong).isEmpty();
    }

    /** A word from a fixed list chooses a form; shown as it is, it would be a code in the middle of a sentence. */
    private static List<String> shownThoughItOnlyChooses(String key, String text) {
        MessagePattern pattern = new MessagePattern(text);
        List<String> out = new ArrayList<>();
        for (int i = 0; i < pattern.countParts(); i++) {
            MessagePattern.Part part = pattern.getPart(i);
            if (part.getType() == MessagePattern.Part.Type.ARG_START && part.getArgType() == MessagePattern.ArgType.NONE) {
                String word = pattern.getSubstring(pattern.getPart(i + 1));
                FactName.of(word).filter(name -> NEVER_SHOWN.contains(name.kind())).ifPresent(name -> out.add(key + " shows " + word));
            }
        }
        return out;
    }

    @ParameterizedTest
    @MethodSource("languages")
    void everyDeclaredFactIsToldSomewhere(Locale language) {
        Bundle bundle = Words.in(language).bundle();
        List<String> silent = new ArrayList<>();
        for (Code code : Rules.judged()) {
            Set<String> told = new HashSet<>();
            bundle.keys().stream().filter(key -> key.startsWith(code.id() + ".") && !key.contains(".example."))
                    .forEach(key -> told.addAll(bundle.pattern(key).names()));
            code.facts().stream().filter(name -> !told.contains(name.word()))
                    .forEach(name -> silent.add(code.id() + " never tells " + name));
        }
        for (Wording wording : WORDINGS) {
            Set<String> told = new HashSet<>(bundle.pattern(wording.key()).names());
            wording.takes().stream().filter(name -> !told.contains(name.word()))
                    .forEach(name -> silent.add(wording.key() + " never tells " + name));
        }
        assertThat(silent).isEmpty();
    }

    @ParameterizedTest
    @MethodSource("languages")
    void sentencesEndAndTitlesDoNot(Locale language) {
        Bundle bundle = Words.in(language).bundle();
        for (Code code : Rules.judged()) {
            assertThat(bundle.text(code.id() + ".title")).isNotBlank().doesNotEndWith(".");
            assertThat(bundle.text(code.id() + ".many")).contains("{count, plural,").doesNotEndWith(".");
            assertThat(bundle.text(code.id() + ".why")).endsWith(".");
            assertThat(Words.in(language).remedy(code)).isNotEmpty()
                    .allSatisfy(step -> assertThat(step.toString()).endsWith(".").doesNotContain("{", "none"));
        }
    }

    /** Reports from before formats had ids say them by their English names; what people read stays the same, in every language. */
    @Test
    void aFormatIsSaidByItsIdAndByItsFormerName() {
        assertThat(Words.ENGLISH.format("otio")).isEqualTo("OpenTimelineIO timeline");
        for (String value : List.of("html", "web page")) {
            assertThat(failed(value)).contains("Webseite");
        }
        assertThat(failed("kit rules")).contains("eigenen Regeln");
        assertThat(failed("SVG")).as("what somebody calls a format of theirs").contains("SVG").doesNotContain("Bild");
    }

    private static String failed(String format) {
        return Words.in(Locale.GERMAN).of(Finding.of(Code.PACKAGE_RULE_FAILED).path(ProjectPath.of("a.html")).fact(FactName.HOW, "reader")
                .fact(FactName.FORMAT, format).make()).message().toString();
    }
}
