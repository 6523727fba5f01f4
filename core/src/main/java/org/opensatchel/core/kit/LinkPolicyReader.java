package org.opensatchel.core.kit;

import static org.opensatchel.base.fact.FactName.COUNT;
import static org.opensatchel.base.fact.FactName.DETAIL;
import static org.opensatchel.base.fact.FactName.KEY;
import static org.opensatchel.base.fact.FactName.MOST;

import com.google.re2j.Pattern;
import com.google.re2j.PatternSyntaxException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.json.JsonWording;
import org.opensatchel.base.json.StrictObject;
import org.opensatchel.base.path.PatternSize;
import org.opensatchel.core.kit.Kit.Grade;
import org.opensatchel.core.kit.Kit.LinkPolicy;
import org.opensatchel.formats.described.CustomLinkRule;
import org.opensatchel.formats.described.Profile;
import org.opensatchel.formats.described.ProfileReader;
import org.opensatchel.formats.described.ProfileReading;
import tools.jackson.databind.JsonNode;

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
        LinkPolicy policy = new LinkPolicy(grade("absolute"), grade("outside"), grade("missing"), grade("remote"),
                object.objects("custom", this::custom).stream()
                        .filter(rule -> rule.pattern().filter(LinkPolicyReader::isTooLarge).isEmpty()).toList(),
                profiles(), named());
        object.close();
        return policy;
    }

    /** Profiles that stand in the kit; what is wrong with one is told at its place. */
    private List<Profile> profiles() {
        List<Profile> out = new ArrayList<>();
        object.node("profiles").ifPresent(list -> {
            if (!list.isArray()) {
                object.fault("profiles", JsonWording.NO_LIST.say(Facts.of(KEY, "profiles")));
            }
            for (int i = 0; list.isArray() && i < list.size(); i++) {
                if (list.get(i).isString()) {
                    continue;
                }
                ProfileReading reading = ProfileReader.read(list.get(i));
                String at = "profiles/" + i;
                reading.faults().forEach(fault -> object.faultAt(at + fault.at(), fault.what()));
                reading.profile().ifPresent(out::add);
            }
        });
        return out;
    }

    /** Profiles that are named by the SHA-256 of their documents. */
    private List<String> named() {
        List<String> out = new ArrayList<>();
        object.node("profiles").filter(JsonNode::isArray).ifPresent(list -> {
            for (int i = 0; i < list.size(); i++) {
                if (list.get(i).isString()) {
                    out.add(list.get(i).stringValue());
                    if (!list.get(i).stringValue().matches("[0-9a-f]{64}")) {
                        object.faultAt("profiles/" + i, KitWording.PROFILE_HASH.say());
                    }
                }
            }
        });
        return out;
    }

    private Optional<Grade> grade(String key) {
        return Optional.ofNullable(object.choice(key, GRADES, null));
    }

    private CustomLinkRule custom(StrictObject rule) {
        String files = rule.requiredText("files");
        if (rule.has("files") && files.isBlank()) {
            rule.fault("files", KitWording.LINK_FILES.say());
        }
        Optional<String> pattern = rule.text("pattern");
        Optional<String> element = rule.text("element");
        Optional<String> pointer = rule.text("pointer");
        if (Stream.of(pattern, element, pointer).filter(Optional::isPresent).count() != 1) {
            rule.fault(KitWording.LINK_KINDS.say());
        }
        pattern.ifPresent(text -> pattern(rule, text));
        element.filter(text -> !text.startsWith("/")).ifPresent(text -> rule.fault("element", KitWording.LINK_ELEMENT.say()));
        pointer.filter(text -> !text.startsWith("/")).ifPresent(text -> rule.fault("pointer", KitWording.LINK_POINTER.say()));
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
            rule.fault("pattern", KitWording.LINK_PATTERN_LARGE.say(Facts.of(MOST, MAX_PATTERN).and(COUNT, MAX_SIZE)));
            return;
        }
        try {
            if (!Pattern.compile(text).namedGroups().containsKey("link")) {
                rule.fault("pattern", KitWording.LINK_PATTERN_GROUP.say());
            }
        } catch (PatternSyntaxException broken) {
            rule.fault("pattern", KitWording.LINK_PATTERN
                    .say(Facts.of(DETAIL, broken.getDescription() + (broken.getPattern() == null ? "" : " " + broken.getPattern()))));
        }
    }
}
