package org.opensatchel.core.pack;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import org.opensatchel.core.kit.FolderRule;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.kit.Need;
import org.opensatchel.core.location.LocationPolicy;
import org.opensatchel.core.location.LocationPolicy.Avoided;
import org.opensatchel.core.location.StorageKind;
import org.opensatchel.core.naming.NamePattern;
import org.opensatchel.core.naming.NameRules;
import org.opensatchel.core.naming.RosterField;
import org.opensatchel.core.naming.RosterFields;
import org.opensatchel.core.path.ProjectPath;

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
    private static final Map<StorageKind, String> DISKS = Map.of(StorageKind.LOCAL, "a disk inside the computer", StorageKind.REMOVABLE, "a drive you carry",
            StorageKind.NETWORK, "the school's network", StorageKind.SYNCED, "a synced folder", StorageKind.HOME, "your home folder");
    private static final Map<Avoided, String> PLACES = Map.of(Avoided.DESKTOP, "the desktop", Avoided.DOWNLOADS, "Downloads", Avoided.TEMPORARY, "a temporary folder",
            Avoided.SYNCED, "a synced folder", Avoided.DOCUMENTS, "Documents", Avoided.SYSTEM, "the system's own folders");

    private final Kit kit;
    private final RosterFields fields;
    private final String root;
    private final StringBuilder out = new StringBuilder(8_000);

    private GuidePage(Kit kit, RosterFields fields, String root) {
        this.kit = kit;
        this.fields = fields;
        this.root = root;
    }

    static byte[] of(Kit kit, RosterFields fields, String root) {
        return new GuidePage(kit, fields, root).page().getBytes(StandardCharsets.UTF_8);
    }

    private String page() {
        out.append("<!DOCTYPE html>\n<html lang=\"en\"><head><meta charset=\"utf-8\"><meta name=\"viewport\" content=\"width=device-width, initial-scale=1\">\n<title>Start here: ")
                .append(text(kit.title())).append("</title>\n<style>\n").append(STYLE).append("</style></head>\n<body>\n");
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
        String who = value(RosterField.TEAM).orElseGet(() -> (value(RosterField.FIRST).orElse("") + " " + value(RosterField.LAST).orElse("")).strip());
        if (!who.isEmpty()) {
            parts.add("for " + who);
        }
        return String.join(", ", parts) + (parts.isEmpty() ? "" : ". ") + "Kit version " + kit.version() + ".";
    }

    private java.util.Optional<String> value(RosterField field) {
        return java.util.Optional.ofNullable(fields.values().get(field)).filter(value -> !value.isBlank());
    }

    private void where() {
        heading("Where this folder belongs");
        out.append("<p>Keep the whole folder ").append(code(root)).append(" together, under exactly this name.");
        LocationPolicy policy = kit.location().orElse(LocationPolicy.ANYWHERE);
        if (!policy.storage().isEmpty()) {
            out.append(" Put it on ").append(text(policy.storage().stream().map(DISKS::get).collect(Collectors.joining(" or ")))).append(".");
        }
        out.append(" Unpack the ZIP first; never work inside it.");
        if (!policy.avoid().isEmpty()) {
            out.append(" Not in ").append(text(policy.avoid().stream().map(PLACES::get).collect(Collectors.joining(", not in ")))).append(".");
        }
        out.append(" Then set this folder as the project's location in your program.</p>\n");
        kit.companions().forEach(companion -> out.append("<p>Beside it, on the same drive: ").append(code(companion.name())).append(" ").append(text(companion.purpose())).append("</p>\n"));
    }

    private void plan() {
        List<FolderRule> shown = kit.folders().stream().filter(rule -> rule.need() != Need.FORBIDDEN).toList();
        if (shown.isEmpty()) {
            return;
        }
        heading("What goes where");
        out.append("<div class=\"bag\"><code><b>").append(text(root)).append("</b></code>\n");
        Map<String, FolderRule> byPath = new HashMap<>();
        shown.forEach(rule -> byPath.put(rule.path().text(), rule));
        Map<String, List<FolderRule>> inside = new HashMap<>();
        shown.forEach(rule -> inside.computeIfAbsent(around(rule, byPath), above -> new ArrayList<>()).add(rule));
        inside.getOrDefault("", List.of()).forEach(rule -> band(rule, "", inside));
        out.append("</div>\n");
        List<String> forbidden = kit.folders().stream().filter(rule -> rule.need() == Need.FORBIDDEN).map(rule -> rule.path().text()).toList();
        if (!forbidden.isEmpty()) {
            out.append("<p>Must not be there: ").append(forbidden.stream().map(GuidePage::code).collect(Collectors.joining(", "))).append("</p>\n");
        }
    }

    private void band(FolderRule rule, String above, Map<String, List<FolderRule>> inside) {
        String path = shown(rule);
        out.append("<div class=\"band ").append(rule.need().word()).append("\">").append(code(path.startsWith(above) ? path.substring(above.length()) : path)).append(" ");
        out.append(text(rule.managed() ? "Kept by the program: leave it alone." : rule.purpose()));
        List<String> remarks = new ArrayList<>();
        if (!rule.accepts().isEmpty()) {
            remarks.add(String.join(" ", rule.accepts()));
        }
        if (rule.atLeast() > 0) {
            remarks.add(rule.atLeast() == 1 ? "1 file or more" : rule.atLeast() + " files or more");
        }
        rule.repeats().ifPresent(least -> remarks.add(least + " or more such folders"));
        if (rule.sealed()) {
            remarks.add("as it came: rename, move and change nothing in it");
        }
        if (rule.need() == Need.OPTIONAL && !rule.managed()) {
            remarks.add("if you need it");
        }
        if (!remarks.isEmpty()) {
            out.append(" <span class=\"soft\">").append(text(String.join(" · ", remarks))).append("</span>");
        }
        inside.getOrDefault(rule.path().text(), List.of()).forEach(inner -> band(inner, path + "/", inside));
        out.append("</div>\n");
    }

    private String shown(FolderRule rule) {
        return rule.path().make(fields, kit.ascii()).map(ProjectPath::text).orElse(rule.path().text());
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
        heading("What you make, by name");
        out.append("<ul>\n");
        kit.documents().forEach(rule -> item(rule.role(), rule.in(), rule.name(), rule.types(), rule.need(), rule.versions() > 1 ? "at least " + rule.versions() + " versions, each saved as a new one" : ""));
        kit.files().forEach(rule -> item(rule.role(), rule.in(), rule.name(), rule.types(), rule.need(), ""));
        out.append("</ul>\n");
    }

    private void item(String role, ProjectPath in, NamePattern name, List<String> types, Need need, String more) {
        String made = name.shortest(fields, kit.ascii(), false).filter(any -> name.isMadeByRoster() || name.hasVersion()).orElse(name.text());
        out.append("<li>").append(text(role)).append(": ").append(code(in.child(made + (types.isEmpty() ? "" : "." + types.get(0))).text()));
        List<String> remarks = new ArrayList<>();
        if (types.size() > 1) {
            remarks.add("or " + String.join(", ", types.subList(1, types.size())));
        }
        if (need == Need.OPTIONAL) {
            remarks.add("if you need it");
        }
        if (!more.isEmpty()) {
            remarks.add(more);
        }
        out.append(remarks.isEmpty() ? "" : " <span class=\"soft\">" + text(String.join(" · ", remarks)) + "</span>").append("</li>\n");
    }

    private void steps() {
        if (!kit.steps().isEmpty()) {
            heading("Set once");
            out.append("<ol>\n");
            kit.steps().forEach(step -> out.append("<li><b>").append(text(step.title())).append("</b> ").append(text(step.text())).append("</li>\n"));
            out.append("</ol>\n");
        }
        heading("Before you link anything");
        out.append("<p>Copy it into this folder first, then bring it into your program from here. Give a file its name before you link it; do not move or rename it afterwards.</p>\n");
    }

    private void checked() {
        heading("What will be checked");
        out.append("<ul>\n<li>Every link in your documents leads to a file in this folder, without a drive letter or a home folder in it.</li>\n"
                + "<li>The folders above are there, under these names, and hold what they are for.</li>\n");
        NameRules rules = kit.nameRules();
        List<String> names = new ArrayList<>(List.of("Names work on every computer"));
        if (!rules.spaces()) {
            names.add("hold no spaces");
        }
        if (rules.letters() != NameRules.Letters.ANY) {
            names.add("are in " + (rules.letters() == NameRules.Letters.LOWER ? "small letters" : "capitals"));
        }
        if (rules.maxLength() > 0) {
            names.add("have at most " + rules.maxLength() + " characters");
        }
        if (!rules.avoid().isEmpty()) {
            names.add("do not say " + rules.avoid().stream().map(word -> "“" + word + "”").collect(Collectors.joining(", ")));
        }
        out.append("<li>").append(text(String.join(", ", names))).append(".</li>\n");
        List<String> kept = kit.starter().stream().filter(file -> file.treat() == Kit.StarterFile.Treat.KEEP).map(file -> code(file.path().text())).toList();
        if (!kept.isEmpty()) {
            out.append("<li>As they came, unchanged: ").append(String.join(", ", kept.subList(0, Math.min(kept.size(), 8)))).append(kept.size() > 8 ? " and " + (kept.size() - 8) + " more" : "").append("</li>\n");
        }
        out.append("</ul>\n");
    }

    private void heading(String words) {
        out.append("<h2>").append(words).append("</h2>\n");
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
                    boolean seen = !Character.isISOControl(point) && Character.getType(point) != Character.FORMAT && Character.getType(point) != Character.SURROGATE;
                    safe.append(seen ? Character.toString(point) : String.format(Locale.ROOT, "\\u%04x", point));
                }
            }
        });
        return safe.toString();
    }
}
