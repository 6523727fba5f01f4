package org.opensatchel.core;

import static org.assertj.core.api.Assertions.assertThat;

import com.tngtech.archunit.core.domain.JavaAccess;
import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.domain.JavaCodeUnit;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import java.util.ArrayDeque;
import java.util.Collection;
import java.util.Deque;
import java.util.HashSet;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;

/**
 * No code calls itself along a depth that a stranger chooses: every method that can come back to itself stands here, with what bounds how
 * often. One that is new, or gone, fails.
 */
class CallsItselfTest {

    private static final String JSON = "documents nest at most JsonDocuments.MAX_DEPTH";
    private static final String TREE = "projects are at most ReadLimits.depth folders deep, kits KitReader.DEEPEST";
    private static final String PHRASES = "phrases in phrases are made by our own code, and come back from JSON, which is bounded";
    private static final String COUNTED = "a counter goes along";

    private static final Map<String, String> BOUNDED = new TreeMap<>(Map.ofEntries(
            Map.entry("core.check.ProjectCheck.run", "once more, and then never"),
            Map.entry("base.fact.Facts.fromJson", PHRASES), Map.entry("base.fact.Facts.json", PHRASES),
            Map.entry("base.fact.Facts.phrase", PHRASES),
            Map.entry("base.fact.Facts.shortened", PHRASES), Map.entry("core.words.SentenceMaker.length", PHRASES),
            Map.entry("core.words.SentenceMaker.say", PHRASES),
            Map.entry("core.words.SentenceMaker.shown", PHRASES), Map.entry("core.words.SentenceMaker.size", PHRASES),
            Map.entry("core.words.SentenceMaker.texts", PHRASES),
            Map.entry("core.words.SentenceMaker.value", PHRASES),
            Map.entry("core.kit.KitReader.noControls", JSON),
            Map.entry("core.kit.LinksShape$CustomRules.read", "as deep as kits are described"),
            Map.entry("core.kit.LinksShape$SomeProfiles.read", "as deep as kits are described"),
            Map.entry("core.example.NextAssignment.walk", JSON),
            Map.entry("formats.described.CustomLinks.step", JSON), Map.entry("formats.described.CustomLinks.walk", JSON),
            Map.entry("formats.guessed.PathFinder.any", "only the outermost layer is unpacked"),
            Map.entry("formats.guessed.PathFinder.members", "only the outermost layer is unpacked"),
            Map.entry("formats.guessed.PathFinder.packed", "only the outermost layer is unpacked"),
            Map.entry("formats.dash.DashLinks$Level.tell", "a presentation has at most DEEPEST levels"),
            Map.entry("formats.described.Assembly.base", COUNTED), Map.entry("formats.described.Assembly.written", COUNTED),
            Map.entry("formats.described.BinaryList.contents", COUNTED), Map.entry("formats.described.BinaryList.member", COUNTED),
            Map.entry("formats.described.Database.rows", COUNTED), Map.entry("formats.described.Unwrapped.open", COUNTED),
            Map.entry("formats.described.Trail$Explored.collect", "as deep as documents nest, which XML and JSON bound"),
            Map.entry("formats.avi.AviFacts$Streams.header", COUNTED), Map.entry("formats.avi.AviSamples.chunks", COUNTED),
            Map.entry("formats.binary.Rational.gcd", "Euclid's, of two numbers"),
            Map.entry("core.resolve.NumberedSet.gcd", "Euclid's, of two numbers"),
            Map.entry("core.pack.GuidePage.band", TREE), Map.entry("core.example.FolderProposal.below", TREE),
            Map.entry("base.path.LinkText.local", "once, without the slash before a drive"),
            Map.entry("base.path.PatternSize.sequence", "patterns are at most a few thousand signs long, which is asked before"),
            Map.entry("core.resolve.LinkResolver.relative", "once, without backslashes"),
            Map.entry("formats.otio.OtioTimelines$Reading.nested", COUNTED),
            Map.entry("formats.otio.OtioTimelines$Reading.walk", COUNTED)));

    @Test
    void everyMethodThatCanComeBackToItselfIsBounded() {
        assertThat(comingBack()).containsExactlyElementsOf(BOUNDED.keySet());
    }

    private static Set<String> comingBack() {
        JavaClasses classes = new ClassFileImporter().withImportOption(new ImportOption.DoNotIncludeTests())
                .importPackages("org.opensatchel.base", "org.opensatchel.formats", "org.opensatchel.core");
        Map<String, Set<String>> calls = new TreeMap<>();
        classes.stream().map(JavaClass::getCodeUnits).flatMap(Collection::stream).forEach(from -> from.getCallsFromSelf().stream()
                .map(JavaAccess::getTarget).flatMap(target -> target.resolveMember().stream())
                .filter(JavaCodeUnit.class::isInstance)
                .forEach(to -> calls.computeIfAbsent(from.getFullName(), key -> new TreeSet<>()).add(to.getFullName())));
        Set<String> out = new TreeSet<>();
        calls.keySet().stream().filter(method -> reaches(calls, method)).forEach(method -> out.add(shortened(method)));
        return out;
    }

    private static boolean reaches(Map<String, Set<String>> calls, String method) {
        Set<String> seen = new HashSet<>();
        Deque<String> waiting = new ArrayDeque<>(calls.get(method));
        while (!waiting.isEmpty()) {
            String next = waiting.pop();
            if (next.equals(method)) {
                return true;
            }
            if (seen.add(next)) {
                waiting.addAll(calls.getOrDefault(next, Set.of()));
            }
        }
        return false;
    }

    private static String shortened(String method) {
        return method.substring("org.opensatchel.".length(), method.indexOf('('));
    }
}
