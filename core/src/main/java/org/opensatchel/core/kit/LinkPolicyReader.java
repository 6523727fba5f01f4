package org.opensatchel.core.kit;

import com.google.re2j.Pattern;
import com.google.re2j.PatternSyntaxException;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.opensatchel.core.json.StrictObject;
import org.opensatchel.core.kit.Kit.CustomLinkRule;
import org.opensatchel.core.kit.Kit.Grade;
import org.opensatchel.core.kit.Kit.LinkPolicy;

/** Reads the links part of a kit document, custom link rules among it. */
final class LinkPolicyReader {

    private static final Map<String, Grade> GRADES = KitReader.words(Grade.values());
    /** Longest pattern of a custom rule; with the engine's linear time this bounds what one rule can cost. */
    private static final int MAX_PATTERN = 1_000;
    /** Most steps of its program: a repeat inside a repeat multiplies, and a few signs would fill any memory. */
    private static final int MAX_SIZE = 5_000;

    private final StrictObject object;
    private final boolean published;

    /** @param published whether the kit went out already, by rules that were not as strict */
    LinkPolicyReader(StrictObject object, boolean published) {
        this.object = object;
        this.published = published;
    }

    LinkPolicy read() {
        LinkPolicy policy = new LinkPolicy(grade("absolute"), grade("outside"), grade("missing"), grade("remote"), object.objects("custom", this::custom).stream().filter(rule -> rule.pattern().filter(LinkPolicyReader::isTooLarge).isEmpty()).toList());
        object.close();
        return policy;
    }

    private Optional<Grade> grade(String key) {
        return Optional.ofNullable(object.choice(key, GRADES, null));
    }

    private CustomLinkRule custom(StrictObject rule) {
        String files = rule.requiredText("files");
        if (rule.has("files") && files.isBlank()) {
            rule.fault("files", "“files” says which files the rule reads, like **/*.scene.");
        }
        Optional<String> pattern = rule.text("pattern");
        Optional<String> element = rule.text("element");
        Optional<String> pointer = rule.text("pointer");
        if (Stream.of(pattern, element, pointer).filter(Optional::isPresent).count() != 1) {
            rule.fault("A custom link rule has exactly one of pattern, element and pointer.");
        }
        pattern.ifPresent(text -> pattern(rule, text));
        element.filter(text -> !text.startsWith("/")).ifPresent(text -> rule.fault("element", "“element” is written //name/@attribute, //name or /a/b/@attribute."));
        pointer.filter(text -> !text.startsWith("/")).ifPresent(text -> rule.fault("pointer", "“pointer” is a JSON pointer and begins with /."));
        boolean fromRoot = rule.choice("base", Map.of("document", false, "root", true), false);
        return new CustomLinkRule(files, pattern, element, pointer, fromRoot, rule.flag("uri", false));
    }

    private static boolean isTooLarge(String pattern) {
        return pattern.length() > MAX_PATTERN || PatternSize.of(pattern) > MAX_SIZE;
    }

    private void pattern(StrictObject rule, String text) {
        if (isTooLarge(text)) {
            if (published) {
                return;
            }
            rule.fault("pattern", "This pattern is too large: at most " + MAX_PATTERN + " characters, and counted repeats like {1,20} that stand for at most " + MAX_SIZE + " signs in all.");
            return;
        }
        try {
            if (!Pattern.compile(text).namedGroups().containsKey("link")) {
                rule.fault("pattern", "The pattern needs a group named link around the file's name: (?<link>…).");
            }
        } catch (PatternSyntaxException broken) {
            rule.fault("pattern", "The pattern cannot be read: " + broken.getDescription() + (broken.getPattern() == null ? "" : " near “" + broken.getPattern() + "”") + ".");
        }
    }
}
