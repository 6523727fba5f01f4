package org.opensatchel.formats.described.learn;

import java.util.EnumMap;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.opensatchel.base.path.LinkAddress;
import org.opensatchel.base.path.LinkForm;
import org.opensatchel.base.path.LinkText;
import org.opensatchel.base.path.Notation;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.formats.described.Value;
import org.opensatchel.formats.described.learn.Lead.Decoding;
import org.opensatchel.formats.described.learn.Lead.From;

/** Where values lead in their example, whichever way they are read. What was found is remembered: the same value stands in many places. */
final class ValueTargets {

    /** What may stand before a path and mean where it starts: a variable, a scheme, a slash, a name in brackets. */
    private static final Pattern PREFIX = Pattern.compile(
            "^(?://|/|\\$\\w{1,40}[/\\\\]|\\$\\{\\w{1,40}\\}[/\\\\]|\\$\\(\\w{1,40}\\)[/\\\\]|%\\w{1,40}%[/\\\\]|<\\w{1,40}>[/\\\\]?|\\{\\w{1,40}\\}[/\\\\]?"
                    + "|\\[\\w{1,40}\\][/\\\\]?|[@~#&!]\\w{0,40}[:/]/?|\\w{2,40}:/{0,3}|:+|\\w{2,40}[|>])");
    private static final Pattern NATIVE = Pattern.compile("#{2,}|%0?[0-9]{0,2}d|\\[[0-9]+-[0-9]+]|<\\w+>|\\$\\w+\\$");
    private static final int MOST_FOLDERS = 8;
    private static final int MOST_KNOWN = 400_000;
    private static final int LONGEST = 4_096;

    private final ExampleFiles ground;
    private final Map<String, Found> known = new HashMap<>();

    /** What is known of a value. */
    record Found(List<Lead> leads, boolean remote) {
        static final Found NOTHING = new Found(List.of(), false);
    }

    ValueTargets(ExampleFiles ground) {
        this.ground = ground;
    }

    ExampleFiles ground() {
        return ground;
    }

    /** A value in all its readings. */
    static Map<Decoding, String> readings(String value) {
        Map<Decoding, String> out = new EnumMap<>(Decoding.class);
        String text = value.strip();
        if (text.isEmpty() || text.length() > LONGEST) {
            return out;
        }
        out.put(Decoding.PLAIN, text);
        encoded(out, Decoding.URI, text);
        if (text.indexOf('\\') >= 0) {
            String bare = Value.unescaped(text);
            if (!bare.equals(text)) {
                out.put(Decoding.ESCAPED, bare);
                encoded(out, Decoding.ESCAPED_URI, bare);
            }
        }
        if (text.indexOf('.') < 0 && text.indexOf('\\') < 0 && text.length() >= 4) {
            Value.unwrapped(text).ifPresent(inner -> {
                out.put(Decoding.BASE64, inner);
                encoded(out, Decoding.BASE64_URI, inner);
            });
        }
        return out;
    }

    private static void encoded(Map<Decoding, String> out, Decoding decoding, String text) {
        if (text.indexOf('%') >= 0 || text.indexOf('#') > 0 || text.indexOf('?') > 0 || text.regionMatches(true, 0, "file:", 0, 5)) {
            out.put(decoding, text);
        }
    }

    /** Lets every whole path among a value's readings speak for the place where the project lay. */
    void hear(String value) {
        readings(value).forEach((decoding, text) -> LinkText.read(text, notation(decoding))
                .filter(address -> address.form().isAbsolute()).ifPresent(ground::hear));
    }

    /** Where a value of a document in a folder leads. */
    Found of(String value, ProjectPath folder) {
        String key = folder.text() + "\0" + value;
        Found found = known.get(key);
        if (found == null) {
            found = look(value, folder);
            if (known.size() < MOST_KNOWN) {
                known.put(key, found);
            }
        }
        return found;
    }

    private Found look(String value, ProjectPath folder) {
        Set<Lead> out = new LinkedHashSet<>();
        boolean remote = false;
        for (Map.Entry<Decoding, String> reading : readings(value).entrySet()) {
            Optional<LinkAddress> address = LinkText.read(reading.getValue(), notation(reading.getKey()));
            remote |= address.filter(one -> one.form() == LinkForm.REMOTE || one.form() == LinkForm.EMBEDDED).isPresent();
            address.ifPresent(one -> look(reading.getKey(), reading.getValue(), one, folder, out));
        }
        return out.isEmpty() && !remote ? Found.NOTHING : new Found(List.copyOf(out), remote && out.isEmpty());
    }

    private void look(Decoding decoding, String text, LinkAddress address, ProjectPath folder, Set<Lead> out) {
        if (address.form() == LinkForm.RELATIVE) {
            relative(decoding, "", address.names(), folder, out);
        } else if (address.form().isAbsolute()) {
            ground.below(address).ifPresent(rest -> file(rest).ifPresent(target -> out
                    .add(new Lead(decoding, From.PLACE, "", "", mark(rest), target, false))));
        }
        if (out.isEmpty()) {
            Matcher prefix = PREFIX.matcher(text);
            if (prefix.find() && prefix.end() < text.length()) {
                LinkText.read(text.substring(prefix.end()), notation(decoding)).filter(rest -> rest.form() == LinkForm.RELATIVE)
                        .ifPresent(rest -> relative(decoding, prefix.group(), rest.names(), folder, out));
            }
        }
    }

    private void relative(Decoding decoding, String prefix, List<String> names, ProjectPath folder, Set<Lead> out) {
        if (names.isEmpty()) {
            return;
        }
        int before = out.size();
        at(decoding, From.DOCUMENT, "", prefix, LinkAddress.resolve(folder.names(), names), out);
        at(decoding, From.ROOT, "", prefix, LinkAddress.resolve(List.of(), names), out);
        if (out.size() > before || names.contains("..")) {
            return;
        }
        String tail = "/" + String.join("/", names);
        int folders = 0;
        for (ProjectPath file : ground.named(names.get(names.size() - 1))) {
            if (file.composed().text().endsWith(ProjectPath.of(tail).composed().text()) && folders++ < MOST_FOLDERS) {
                String start = file.text().substring(0, Math.max(0, file.text().length() - tail.length()));
                out.add(new Lead(decoding, From.FOLDER, start, prefix, Optional.empty(), file, true));
            }
        }
        if (names.size() == 1 && folders == 1) {
            out.add(new Lead(decoding, From.ANYWHERE, "", prefix, Optional.empty(), ground.named(names.get(0)).get(0), true));
        }
    }

    private void at(Decoding decoding, From from, String start, String prefix, Optional<List<String>> names, Set<Lead> out) {
        names.flatMap(path -> file(path).map(target -> new Lead(decoding, from, start, prefix, mark(path), target, true)))
                .ifPresent(out::add);
    }

    private Optional<ProjectPath> file(List<String> names) {
        return ground.file(names).or(() -> ground.mark(names).map(mark -> ProjectPath.of(names)));
    }

    private Optional<String> mark(List<String> names) {
        return ground.file(names).isPresent() ? Optional.empty() : ground.mark(names).filter(mark -> !NATIVE.matcher(mark).matches());
    }

    static Notation notation(Decoding decoding) {
        return decoding.uri ? Notation.URI : Notation.SLASHED;
    }

    /** The folder of the example that a value names, by every way to read it; a decoding each. */
    Map<Decoding, Named> folder(String value, ProjectPath folder) {
        Map<Decoding, Named> out = new EnumMap<>(Decoding.class);
        readings(value).forEach((decoding, text) -> LinkText.read(text, notation(decoding)).flatMap(address -> named(address, folder))
                .ifPresent(named -> out.put(decoding, named)));
        return out;
    }

    /** A folder that a value names. */
    record Named(From from, List<String> names) {}

    private Optional<Named> named(LinkAddress address, ProjectPath folder) {
        if (address.form().isAbsolute()) {
            return ground.below(address).filter(ground::isFolder).map(names -> new Named(From.PLACE, names));
        }
        if (address.form() != LinkForm.RELATIVE) {
            return Optional.empty();
        }
        return LinkAddress.resolve(folder.names(), address.names()).filter(ground::isFolder).map(names -> new Named(From.DOCUMENT, names))
                .or(() -> LinkAddress.resolve(List.of(), address.names()).filter(ground::isFolder)
                        .map(names -> new Named(From.ROOT, names)));
    }
}
