package org.opensatchel.formats.html;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.Locale;
import java.util.Set;
import java.util.function.IntFunction;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jsoup.Jsoup;
import org.jsoup.nodes.Attribute;
import org.jsoup.nodes.DataNode;
import org.jsoup.nodes.Document;
import org.jsoup.nodes.Element;
import org.jsoup.nodes.Node;
import org.jsoup.nodes.Range;
import org.jsoup.parser.Parser;
import org.jsoup.select.NodeTraversor;
import org.opensatchel.base.path.Notation;
import org.opensatchel.base.place.SourcePosition;
import org.opensatchel.formats.css.CssScan;
import org.opensatchel.formats.link.DocumentContent;
import org.opensatchel.formats.link.Head;
import org.opensatchel.formats.link.LinkReader;
import org.opensatchel.formats.link.LinkSink;
import org.opensatchel.formats.link.Unreadable;
import org.opensatchel.formats.script.ScriptLinks;
import org.opensatchel.formats.text.LineIndex;
import org.opensatchel.formats.text.TextDecoding;

/**
 * Web pages (WHATWG HTML Living Standard): {@code href} of {@code a}, {@code area} and {@code link}, every {@code src},
 * {@code srcset} and {@code imagesrcset}, {@code poster}, {@code data} of objects, refreshes, the pictures of drawings in
 * the page, and its styles. Scripts, forms' actions and comments are not read.
 */
public final class HtmlLinks implements LinkReader {

    /** Longest page that is parsed: its tree takes many times its bytes. */
    private static final long MAX_BYTES = 16L << 20;
    private static final Set<String> LINKING = Set.of("a", "area", "link");
    private static final Set<String> INCLUDING = Set.of("iframe", "frame", "object", "embed");
    /** Elements that could have a picture behind them before there were style sheets. */
    private static final Set<String> PAINTED = Set.of("body", "table", "thead", "tbody", "tfoot", "tr", "td", "th");
    /** Parameters of an object that name a file. */
    private static final Set<String> PARAMETERS = Set.of("src", "movie", "filename", "url", "data", "file");
    private static final Set<String> SOUNDING = Set.of("video", "audio");
    private static final Set<String> DRAWN = Set.of("image", "use", "feimage", "pattern", "lineargradient", "radialgradient", "textpath",
            "mpath");
    private static final Pattern REFRESH = Pattern.compile("(?is)^\\s*[0-9.]*\\s*[;,]?\\s*url\\s*=\\s*(['\"]?)(.*?)\\1\\s*$");

    @Override
    public boolean recognises(String extension, Head head) {
        if (Html.FORMAT.hasEnding(extension)) {
            return true;
        }
        if (!extension.isEmpty()) {
            return false;
        }
        String text = head.text().toLowerCase(Locale.ROOT);
        return (text.startsWith("<!doctype html") || text.startsWith("<html"));
    }

    @Override
    public void read(DocumentContent document, LinkSink sink) throws IOException, Unreadable {
        byte[] bytes = document.bytes(MAX_BYTES);
        TextDecoding.requireText(bytes);
        Parser parser = Parser.htmlParser().setTrackPosition(true).setMaxDepth(1_000);
        Document page = Jsoup.parse(new ByteArrayInputStream(bytes), null, "", parser);
        PageText text = new PageText(new String(bytes, page.charset()));
        Walk walk = new Walk(sink, text::at);
        NodeTraversor.traverse((node, depth) -> walk.node(node), page);
    }

    /** Reads a piece of HTML inside another text; {@code places} tells where an offset in it stands there. */
    public static void fragment(String html, LinkSink sink, IntFunction<SourcePosition> places) {
        Parser parser = Parser.htmlParser().setTrackPosition(true).setMaxDepth(1_000);
        Walk walk = new Walk(sink, places);
        NodeTraversor.traverse((node, depth) -> walk.node(node), parser.parseInput(html, ""));
    }

    /** The page's text as it was parsed, for places inside attributes and styles. */
    private record PageText(String text, LineIndex lines) {
        PageText(String decoded) {
            this(decoded.startsWith("\uFEFF") ? decoded.substring(1) : decoded, null);
        }

        PageText {
            lines = new LineIndex(text);
        }

        SourcePosition at(int offset) {
            return lines.at(offset);
        }
    }

    private static final class Walk {
        private final LinkSink sink;
        private final IntFunction<SourcePosition> page;
        private String base = "";

        Walk(LinkSink sink, IntFunction<SourcePosition> page) {
            this.sink = sink;
            this.page = page;
        }

        void node(Node node) {
            if (node instanceof DataNode data && data.parent() != null && data.parent().nodeName().equals("style")) {
                Range range = data.sourceRange();
                styles(range.isTracked() ? range.startPos() : -1, data.getWholeData());
            } else if (node instanceof DataNode data && data.parent() != null && data.parent().nodeName().equals("script")) {
                script(data.parent(), data);
            } else if (node instanceof Element element) {
                element(element);
            }
        }

        /** Only what a browser would run; data and templates in a script are none. */
        private void script(Element element, DataNode data) {
            String type = element.attr("type").strip().toLowerCase(Locale.ROOT);
            Range range = data.sourceRange();
            if (type.isEmpty() || type.equals("module") || type.endsWith("javascript")) {
                ScriptLinks.fragment(data.getWholeData(), sink,
                        offset -> range.isTracked() ? page.apply(range.startPos() + offset) : SourcePosition.WHOLE);
            }
        }

        private void element(Element element) {
            String tag = element.normalName();
            if (tag.equals("base") && base.isEmpty() && element.hasAttr("href")) {
                base = element.attr("href").strip();
                return;
            }
            for (Attribute attribute : element.attributes()) {
                attribute(element, tag, attribute);
            }
        }

        private void attribute(Element element, String tag, Attribute attribute) {
            String name = attribute.getKey().toLowerCase(Locale.ROOT);
            String value = attribute.getValue();
            if (value.isBlank()) {
                return;
            }
            switch (name) {
                case "href" -> {
                    if (LINKING.contains(tag) || DRAWN.contains(tag)) {
                        add(element, attribute, 0, value);
                    }
                }
                case "xlink:href" -> add(element, attribute, 0, value);
                case "src", "poster", "lowsrc", "dynsrc" -> add(element, attribute, 0, value);
                case "background" -> {
                    if (PAINTED.contains(tag)) {
                        add(element, attribute, 0, value);
                    }
                }
                case "value" -> {
                    if (tag.equals("param") && PARAMETERS.contains(element.attr("name").toLowerCase(Locale.ROOT))) {
                        add(element, attribute, 0, value);
                    }
                }
                case "data" -> {
                    if (tag.equals("object")) {
                        add(element, attribute, 0, value);
                    }
                }
                case "srcset", "imagesrcset" -> candidates(element, attribute);
                case "content" -> refresh(element, tag, attribute);
                case "style" -> styles(start(element, attribute), value);
                default -> {
                    // Names no file.
                }
            }
        }

        private void refresh(Element element, String tag, Attribute attribute) {
            Matcher matcher = REFRESH.matcher(attribute.getValue());
            if (tag.equals("meta") && element.attr("http-equiv").equalsIgnoreCase("refresh") && matcher.find()) {
                add(element, attribute, matcher.start(2), matcher.group(2));
            }
        }

        /** The candidates of a {@code srcset} (HTML, section 4.8.4.2.1): a URL may hold commas, but does not end in one. */
        private void candidates(Element element, Attribute attribute) {
            String value = attribute.getValue();
            int at = 0;
            while (at < value.length()) {
                while (at < value.length() && (Character.isWhitespace(value.charAt(at)) || value.charAt(at) == ',')) {
                    at++;
                }
                int start = at;
                while (at < value.length() && !Character.isWhitespace(value.charAt(at))) {
                    at++;
                }
                int end = at;
                while (end > start && value.charAt(end - 1) == ',') {
                    end--;
                }
                if (end > start) {
                    add(element, attribute, start, value.substring(start, end));
                }
                boolean described = end == at;
                // A descriptor follows only where the URL did not end in a comma.
                while (described && at < value.length() && value.charAt(at) != ',') {
                    at++;
                }
            }
        }

        private void add(Element element, Attribute attribute, int within, String url) {
            int start = start(element, attribute);
            int blanks = url.length() - url.stripLeading().length();
            LinkSink.Draft link = sink
                    .link(start < 0 ? SourcePosition.WHOLE : page.apply(start + within + blanks), url.strip(), Notation.WEB)
                    .base(base).alternatives(alternatives(element));
            (INCLUDING.contains(element.normalName()) ? link.including() : link).add();
        }

        /** The sources of one picture, film or sound: of these the browser opens one. Its poster and its subtitles are none. */
        private static String alternatives(Element element) {
            Element around = element.normalName().equals("source") || element.normalName().equals("img") ? element.parent() : null;
            boolean choice = around != null && (around.normalName().equals("picture")
                    || (element.normalName().equals("source") && SOUNDING.contains(around.normalName())));
            return choice ? around.normalName() + " " + around.sourceRange().startPos() : "";
        }

        private static int start(Element element, Attribute attribute) {
            Range range = element.attributes().sourceRange(attribute.getKey()).valueRange();
            return range.isTracked() ? range.startPos() : -1;
        }

        private void styles(int start, String css) {
            new CssScan(css, (offset, url, alternatives) -> sink
                    .link(start < 0 ? SourcePosition.WHOLE : page.apply(start + offset), url, Notation.WEB).base(base)
                    .alternatives(alternatives.isEmpty() ? "" : start + " " + alternatives).add()).read();
        }
    }
}
