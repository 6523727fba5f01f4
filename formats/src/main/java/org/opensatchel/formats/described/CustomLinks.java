package org.opensatchel.formats.described;

import com.google.re2j.Matcher;
import com.google.re2j.Pattern;
import java.io.ByteArrayInputStream;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import javax.xml.stream.XMLStreamReader;
import org.opensatchel.base.json.JsonDocuments;
import org.opensatchel.base.path.Glob;
import org.opensatchel.base.path.Notation;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.base.place.SourcePosition;
import org.opensatchel.formats.link.LinkSink;
import org.opensatchel.formats.link.ReadWording;
import org.opensatchel.formats.link.Unreadable;
import org.opensatchel.formats.text.LineIndex;
import org.opensatchel.formats.text.TextDecoding;
import org.opensatchel.formats.xml.XmlScan;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;

/** A kit's own rules for where links stand in files of no known format: by a pattern, an element or a pointer, in linear time. */
public final class CustomLinks {

    public static final CustomLinks NONE = new CustomLinks(List.of());

    private final List<Rule> rules;

    private record Rule(Glob files, CustomLinkRule rule) {}

    public CustomLinks(List<CustomLinkRule> rules) {
        this.rules = rules.stream().map(rule -> new Rule(new Glob(rule.files()), rule)).toList();
    }

    /** Whether any rule reads a file. */
    public boolean read(ProjectPath path) {
        return rules.stream().anyMatch(rule -> rule.files.takes(path));
    }

    /**
     * Hands every link of a file to the sink; what a rule found before a fault is kept.
     *
     * @throws Unreadable when the file is not what a rule takes it for
     */
    public void read(ProjectPath path, byte[] content, LinkSink sink) throws Unreadable {
        for (Rule one : rules) {
            if (one.files.takes(path)) {
                Found found = new Found(sink, one.rule.uri() ? Notation.URI : Notation.PLAIN,
                        one.rule.fromRoot() ? "../".repeat(Math.max(0, path.depth() - 1)) : "");
                read(one.rule, content, found);
            }
        }
    }

    private record Found(LinkSink sink, Notation notation, String base) {
        void add(SourcePosition at, String text) {
            String name = text.strip();
            if (!name.isEmpty()) {
                sink.add(at, name, notation, base);
            }
        }
    }

    private static void read(CustomLinkRule rule, byte[] content, Found found) throws Unreadable {
        if (rule.pattern().isPresent()) {
            pattern(rule.pattern().get(), content, found);
        } else if (rule.element().isPresent()) {
            new XmlScan(new Elements(rule.element().get(), found)).read(new ByteArrayInputStream(content));
        } else if (rule.pointer().isPresent()) {
            pointer(rule.pointer().get(), content, found);
        }
    }

    private static void pattern(String pattern, byte[] content, Found found) {
        String text = TextDecoding.decode(content);
        LineIndex lines = new LineIndex(text);
        Matcher matcher = Pattern.compile(pattern).matcher(text);
        while (matcher.find()) {
            if (matcher.group("link") != null) {
                found.add(lines.at(matcher.start("link")), matcher.group("link"));
            }
        }
    }

    /** {@code //name/@attribute}, {@code /a/b/@attribute}, or the element's text. */
    private static final class Elements implements XmlScan.Listener {
        private final List<String> names;
        private final boolean anywhere;
        private final String attribute;
        private final Found found;

        Elements(String rule, Found found) {
            int at = rule.indexOf("/@");
            String path = at < 0 ? rule : rule.substring(0, at);
            this.anywhere = path.startsWith("//");
            this.names = Arrays.stream(path.split("/")).filter(name -> !name.isEmpty()).toList();
            this.attribute = at < 0 ? "" : rule.substring(at + 2);
            this.found = found;
        }

        @Override
        public void element(XmlScan.Element element, XMLStreamReader reader) {
            if (attribute.isEmpty() || !element.isAt(names, anywhere)) {
                return;
            }
            for (int i = 0; i < reader.getAttributeCount(); i++) {
                String prefix = reader.getAttributePrefix(i);
                String name = prefix == null || prefix.isEmpty() ? reader.getAttributeLocalName(i)
                        : prefix + ":" + reader.getAttributeLocalName(i);
                if (name.equals(attribute) || reader.getAttributeLocalName(i).equals(attribute)) {
                    found.add(element.place(name), reader.getAttributeValue(i));
                }
            }
        }

        @Override
        public void text(XmlScan.Element element, String text) {
            if (attribute.isEmpty() && element.isAt(names, anywhere)) {
                found.add(element.place(), text);
            }
        }
    }

    private static void pointer(String pointer, byte[] content, Found found) throws Unreadable {
        JsonNode root;
        try {
            root = JsonDocuments.MAPPER.readTree(content);
        } catch (JacksonException broken) {
            boolean known = broken.getLocation() != null && broken.getLocation().getLineNr() > 0;
            throw Unreadable
                    .broken(known
                            ? new SourcePosition.InText(broken.getLocation().getLineNr(), Math.max(1, broken.getLocation().getColumnNr()))
                            : SourcePosition.WHOLE, ReadWording.NO_JSON);
        }
        List<String> steps = Arrays.stream(pointer.substring(1).split("/", -1)).map(step -> step.replace("~1", "/").replace("~0", "~"))
                .toList();
        walk(root, steps, 0, new ArrayList<>(), new int[1], found);
    }

    private static void walk(JsonNode node, List<String> steps, int depth, List<String> at, int[] order, Found found) {
        if (depth == steps.size()) {
            if (node.isString()) {
                found.add(new SourcePosition.InTree("/" + String.join("/", at), ++order[0]), node.stringValue());
            }
            return;
        }
        String step = steps.get(depth);
        if (node.isArray()) {
            for (int i = 0; i < node.size(); i++) {
                if (step.equals("*") || step.equals(Integer.toString(i))) {
                    step(node.get(i), Integer.toString(i), steps, depth, at, order, found);
                }
            }
        } else if (node.isObject()) {
            for (String key : node.propertyNames()) {
                if (step.equals("*") || step.equals(key)) {
                    step(node.get(key), key.replace("~", "~0").replace("/", "~1"), steps, depth, at, order, found);
                }
            }
        }
    }

    private static void step(JsonNode node, String name, List<String> steps, int depth, List<String> at, int[] order, Found found) {
        at.add(name);
        walk(node, steps, depth + 1, at, order, found);
        at.remove(at.size() - 1);
    }
}
