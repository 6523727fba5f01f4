package org.opensatchel.core.pack;

import static org.opensatchel.base.fact.FactName.ALLOWED;
import static org.opensatchel.base.fact.FactName.COUNT;
import static org.opensatchel.base.fact.FactName.FOUND;
import static org.opensatchel.base.fact.FactName.MOST;
import static org.opensatchel.base.fact.FactName.OTHERS;
import static org.opensatchel.base.fact.FactName.PERSON;
import static org.opensatchel.base.fact.FactName.PLACES;
import static org.opensatchel.base.fact.FactName.PURPOSE;
import static org.opensatchel.base.fact.FactName.ROOT;
import static org.opensatchel.base.fact.FactName.TEXT;
import static org.opensatchel.base.fact.FactName.TYPES;
import static org.opensatchel.base.fact.FactName.VERSION;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.fact.Phrase;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.kit.Demand;
import org.opensatchel.core.kit.FolderPattern;
import org.opensatchel.core.kit.FolderRule;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.kit.Need;
import org.opensatchel.core.location.LocationPolicy;
import org.opensatchel.core.naming.NamePattern;
import org.opensatchel.core.naming.NameRules;
import org.opensatchel.core.naming.RosterField;
import org.opensatchel.core.naming.RosterFields;
import org.opensatchel.core.words.Words;

/**
 * The guide {@code START-HERE.html} of a hand-out: one page (HTML Living Standard) that needs nothing but itself and prints on
 * one sheet. It says where the folder belongs, draws the plan, and gives every name with the student's own name in it.
 */
final class GuidePage {

    private static final String STYLE = """
            :root{color-scheme:light dark;--g:#f5f1e8;--i:#1f2622;--s:#fffef9;--r:#d9d1bf;--c:#1f5a44;--q:#5b635c}
            @media (prefers-color-scheme:dark){:root{--g:#171b1a;--i:#ece6d8;--s:#212725;--r:#3d443f;--c:#7fc4a4;--q:#a9b0a6}}
            body{font:15px/1.42 system-ui,sans-serif;color:var(--i);background:var(--g);max-width:48em;margin:1.6em auto;padding:0 1em}
            code{font-family:ui-monospace,monospace;font-size:.93em;overflow-wrap:anywhere}h1{font-size:1.6em;margin:0}
            h2{font-size:1.05em;margin:1.1em 0 .3em;border-top:2px dashed var(--c);padding-top:.5em}p,ul,ol{margin:.3em 0}ul,ol{padding-left:1.3em}
            .bag{border:1px solid var(--r);border-radius:8px;padding:.5em .7em;background:var(--s)}.band{border-left:4px dashed var(--c);margin:.25em 0 .25em .2em;padding:.12em 0 .12em .7em}
            .band.optional{border-left-style:dotted;border-color:var(--q)}.soft{color:var(--q)}.band .band{margin-left:0}
            @media print{:root{--g:#fff;--i:#000;--s:#fff;--q:#444}body{margin:0;max-width:none;font-size:9.6pt;line-height:1.3}h2{margin:.6em 0 .2em;padding-top:.3em}@page{margin:14mm}}
            """;

    private final Kit kit;
    private final RosterFields fields;
    private final String root;
    private final Words words;
    private final StringBuilder out = new StringBuilder(8_000);

    private GuidePage(Kit kit, RosterFields fields, String root, Words words) {
        this.kit = kit;
        this.fields = fields;
        this.root = root;
        this.words = words;
    }

    static byte[] of(Kit kit, RosterFields fields, String root, Words words) {
        return new GuidePage(kit, fields, root, words).page().getBytes(StandardCharsets.UTF_8);
    }

    private String page() {
        out.append("<!DOCTYPE html>\n<html lang=\"" + words.locale().getLanguage()
                + "\"><head><meta charset=\"utf-8\"><meta name=\"viewport\" content=\"width=device-width, initial-scale=1\">\n<title>")
                .append(plain(GuideWording.TITLE.say(Facts.of(TEXT, kit.title())))).append("</title>\n<style>\n").append(STYLE)
                .append("</style></head>\n<body>\n");
        out.append("<h1>").append(text(kit.title())).append("</h1>\n<p>").append(text(heading())).append("</p>\n");
        where();
        plan();
        names();
        steps();
        checked();
        return out.append("</body></html>\n").toString();
    }

    private String heading() {
        List<String> parts = new ArrayList<>();
        value(RosterField.COURSE).ifPresent(parts::add);
        value(RosterField.ASSIGNMENT).or(kit::assignment).ifPresent(parts::add);
        String who = value(RosterField.TEAM)
                .orElseGet(() -> (value(RosterField.FIRST).orElse("") + " " + value(RosterField.LAST).orElse("")).strip());
        if (!who.isEmpty()) {
            parts.add(words.text(GuideWording.FOR_WHO.say(Facts.of(PERSON, who))));
        }
        return String.join(", ", parts) + (parts.isEmpty() ? "" : ". ")
                + words.text(GuideWording.KIT_VERSION.say(Facts.of(VERSION, kit.version())));
    }

    private Optional<String> value(RosterField field) {
        return Optional.ofNullable(fields.values().get(field)).filter(value -> !value.isBlank());
    }

    private void where() {
        heading(GuideWording.WHERE);
        LocationPolicy policy = kit.location().orElse(LocationPolicy.ANYWHERE);
        List<Phrase> said = new ArrayList<>(List.of(GuideWording.KEEP.say(Facts.of(ROOT, root))));
        if (!policy.storage().isEmpty()) {
            said.add(GuideWording.PUT_ON.say(Facts.of(ALLOWED, policy.storage())));
        }
        said.add(GuideWording.UNPACK.say());
        if (!policy.avoid().isEmpty()) {
            said.add(GuideWording.KEEP_AWAY.say(Facts.of(PLACES, policy.avoid())));
        }
        said.add(GuideWording.SET_LOCATION.say());
        paragraph(said);
        kit.companions().forEach(companion -> paragraph(List.of(GuideWording.BESIDE
                .say(Facts.of(FOUND, companion.name()).and(PURPOSE, Optional.of(companion.purpose()).filter(text -> !text.isBlank()))))));
    }

    private void plan() {
        List<FolderRule> shown = kit.folders().stream().filter(rule -> rule.need() != Need.FORBIDDEN).toList();
        if (shown.isEmpty()) {
            return;
        }
        heading(GuideWording.PLAN);
        out.append("<div class=\"bag\"><code><b>").append(text(root)).append("</b></code>\n");
        Map<String, FolderRule> byPath = new HashMap<>();
        shown.forEach(rule -> byPath.put(rule.path().text(), rule));
        Map<String, List<FolderRule>> inside = new HashMap<>();
        shown.forEach(rule -> inside.computeIfAbsent(around(rule, byPath), above -> new ArrayList<>()).add(rule));
        inside.getOrDefault("", List.of()).forEach(rule -> band(rule, "", inside));
        out.append("</div>\n");
        List<String> forbidden = kit.folders().stream().filter(rule -> rule.need() == Need.FORBIDDEN).map(this::shown).toList();
        if (!forbidden.isEmpty()) {
            paragraph(List.of(GuideWording.FORBIDDEN.say(Facts.of(OTHERS, forbidden))));
        }
    }

    private void band(FolderRule rule, String above, Map<String, List<FolderRule>> inside) {
        String path = shown(rule);
        out.append("<div class=\"band ").append(rule.need().word()).append("\">")
                .append(code(path.startsWith(above) ? path.substring(above.length()) : path)).append(" ");
        out.append(rule.managed() ? plain(GuideWording.MANAGED.say()) : text(rule.purpose()));
        List<String> remarks = new ArrayList<>();
        if (!rule.accepts().isEmpty()) {
            remarks.add(String.join(" ", rule.accepts()));
        }
        if (rule.atLeast() > 0) {
            remarks.add(words.text(GuideWording.AT_LEAST.say(Facts.of(COUNT, rule.atLeast()))));
        }
        rule.repeats().ifPresent(least -> remarks.add(words.text(GuideWording.REPEATS.say(Facts.of(COUNT, least)))));
        if (rule.sealed()) {
            remarks.add(words.text(GuideWording.SEALED.say()));
        }
        if (!rule.path().isMadeByRoster()) {
            remarks.add(words.text(GuideWording.EXAMPLE.say()));
        }
        if (rule.need() == Need.OPTIONAL && !rule.managed()) {
            remarks.add(words.text(GuideWording.OPTIONAL.say()));
        }
        if (!remarks.isEmpty()) {
            out.append(" <span class=\"soft\">").append(text(String.join(" · ", remarks))).append("</span>");
        }
        inside.getOrDefault(rule.path().text(), List.of()).forEach(inner -> band(inner, path + "/", inside));
        out.append("</div>\n");
    }

    private String shown(FolderRule rule) {
        return rule.path().example(fields, kit.ascii());
    }

    /** The path of the planned folder a rule lies in most closely, empty for the root. */
    private static String around(FolderRule rule, Map<String, FolderRule> byPath) {
        String path = rule.path().text();
        for (int slash = path.lastIndexOf('/'); slash >= 0; slash = path.lastIndexOf('/')) {
            path = path.substring(0, slash);
            if (byPath.containsKey(path)) {
                return path;
            }
        }
        return "";
    }

    private void names() {
        if (kit.documents().isEmpty() && kit.files().isEmpty()) {
            return;
        }
        heading(GuideWording.NAMES);
        out.append("<ul>\n");
        kit.documents().stream().filter(rule -> rule.need() != Need.FORBIDDEN)
                .forEach(rule -> item(rule.role(), rule.in(), rule.name(), rule.types(), rule.need(),
                        rule.versions() > 1 ? words.text(GuideWording.VERSIONS.say(Facts.of(COUNT, rule.versions()))) : ""));
        kit.files().stream().filter(rule -> rule.need() != Need.FORBIDDEN)
                .forEach(rule -> item(rule.role(), rule.in(), rule.name(), rule.types(), rule.need(), ""));
        out.append("</ul>\n");
    }

    /** The folder under this student's own name, with a slash; nothing for the root. */
    private String place(ProjectPath in) {
        return in.isRoot() ? "" : FolderPattern.of(in.text()).example(fields, kit.ascii()) + "/";
    }

    private void item(String role, ProjectPath in, NamePattern name, List<String> types, Need need, String more) {
        String made = name.example(fields, kit.ascii());
        out.append("<li>").append(text(role)).append(": ")
                .append(code(place(in) + made + (types.isEmpty() ? "" : "." + types.get(0))));
        List<String> remarks = new ArrayList<>();
        if (!name.isMadeByRoster() || !in.isRoot() && !FolderPattern.of(in.text()).isMadeByRoster()) {
            remarks.add(words.text(GuideWording.EXAMPLE.say()));
        }
        if (types.size() > 1) {
            remarks.add(words.text(GuideWording.OTHER_TYPES.say(Facts.of(TYPES, types.subList(1, types.size())))));
        }
        if (need == Need.OPTIONAL) {
            remarks.add(words.text(GuideWording.OPTIONAL.say()));
        }
        if (!more.isEmpty()) {
            remarks.add(more);
        }
        out.append(remarks.isEmpty() ? "" : " <span class=\"soft\">" + text(String.join(" · ", remarks)) + "</span>").append("</li>\n");
    }

    private void steps() {
        if (!kit.steps().isEmpty()) {
            heading(GuideWording.ONCE);
            out.append("<ol>\n");
            kit.steps().forEach(
                    step -> out.append("<li><b>").append(text(step.title())).append("</b> ").append(text(step.text())).append("</li>\n"));
            out.append("</ol>\n");
        }
        heading(GuideWording.BEFORE);
        paragraph(List.of(GuideWording.BEFORE_WHAT.say()));
    }

    private void checked() {
        heading(GuideWording.CHECKED);
        out.append("<ul>\n");
        item(List.of(GuideWording.CHECKED_LINKS.say()));
        item(List.of(GuideWording.CHECKED_FOLDERS.say()));
        NameRules rules = kit.nameRules();
        List<Phrase> names = new ArrayList<>(List.of(GuideWording.PORTABLE.say()));
        if (!rules.spaces()) {
            names.add(GuideWording.NO_SPACES.say());
        }
        if (rules.letters() != NameRules.Letters.ANY) {
            names.add((rules.letters() == NameRules.Letters.LOWER ? GuideWording.SMALL_LETTERS : GuideWording.CAPITALS).say());
        }
        if (rules.maxLength() > 0) {
            names.add(GuideWording.MAX_LENGTH.say(Facts.of(MOST, rules.maxLength())));
        }
        if (!rules.avoid().isEmpty()) {
            names.add(GuideWording.AVOIDED.say(Facts.of(TYPES, rules.avoid())));
        }
        item(names);
        List<ProjectPath> kept = kit.starter().stream().filter(file -> file.treat() == Kit.StarterFile.Treat.KEEP)
                .map(Kit.StarterFile::path).toList();
        if (!kept.isEmpty()) {
            item(List.of(GuideWording.UNCHANGED.say(Facts.of(OTHERS, kept))));
        }
        Stream.of(kit.briefs(), kit.timings(), kit.demands()).flatMap(List::stream)
                .forEach(demand -> item(List.of(demand.say(Demand.Spelling.of(fields, kit.ascii())))));
        out.append("</ul>\n");
    }

    private void paragraph(List<Phrase> said) {
        out.append("<p>").append(marked(said)).append("</p>\n");
    }

    private void item(List<Phrase> said) {
        out.append("<li>").append(marked(said)).append("</li>\n");
    }

    /** Sentences one after the other, their names in the letter meant for names. */
    private String marked(List<Phrase> said) {
        return said
                .stream().map(phrase -> words.say(phrase).pieces().stream()
                        .map(piece -> piece.isName() ? code(piece.text()) : text(piece.text())).collect(Collectors.joining()))
                .collect(Collectors.joining(" "));
    }

    private String plain(Phrase said) {
        return text(words.text(said));
    }

    private void heading(GuideWording what) {
        out.append("<h2>").append(plain(what.say())).append("</h2>\n");
    }

    private static String code(String name) {
        return "<code>" + text(name) + "</code>";
    }

    private static String text(String raw) {
        StringBuilder safe = new StringBuilder(raw.length());
        raw.codePoints().forEach(point -> {
            switch (point) {
                case '&' -> safe.append("&amp;");
                case '<' -> safe.append("&lt;");
                case '>' -> safe.append("&gt;");
                case '"' -> safe.append("&quot;");
                default -> {
                    boolean seen = !Character.isISOControl(point) && Character.getType(point) != Character.FORMAT
                            && Character.getType(point) != Character.SURROGATE;
                    safe.append(seen ? Character.toString(point) : String.format(Locale.ROOT, "\\u%04x", point));
                }
            }
        });
        return safe.toString();
    }
}
