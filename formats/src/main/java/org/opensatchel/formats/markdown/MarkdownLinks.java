package org.opensatchel.formats.markdown;

import static org.opensatchel.base.fact.FactName.MOST;

import java.io.IOException;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.commonmark.node.AbstractVisitor;
import org.commonmark.node.HtmlBlock;
import org.commonmark.node.HtmlInline;
import org.commonmark.node.Image;
import org.commonmark.node.Link;
import org.commonmark.node.Node;
import org.commonmark.node.SourceSpan;
import org.commonmark.node.Text;
import org.commonmark.parser.IncludeSourceSpans;
import org.commonmark.parser.Parser;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.path.Notation;
import org.opensatchel.base.place.SourcePosition;
import org.opensatchel.formats.html.HtmlLinks;
import org.opensatchel.formats.kind.FileKind;
import org.opensatchel.formats.link.DocumentContent;
import org.opensatchel.formats.link.Head;
import org.opensatchel.formats.link.LinkReader;
import org.opensatchel.formats.link.LinkSink;
import org.opensatchel.formats.link.ReadProblem;
import org.opensatchel.formats.link.ReadWording;
import org.opensatchel.formats.link.Unreadable;
import org.opensatchel.formats.text.LineIndex;
import org.opensatchel.formats.text.TextDecoding;

/**
 * Markdown texts (CommonMark 0.31): inline links and pictures, reference links that are used, addresses in angle brackets,
 * and the links of HTML in the text. Code is not read.
 */
final class MarkdownLinks implements LinkReader {

    /** Longest text that is parsed: its tree takes many times its bytes. */
    private static final long MAX_BYTES = 8L << 20;
    /** What a part of the tree may begin at: a text full of them takes a hundred times its bytes. */
    private static final String MARKS = "[]*_<`\n&";
    private static final int MOST_MARKS = 600_000;
    private static final int MAX_NESTED = 200;
    private static final int LONGEST_LINE = 1_000;
    private static final Pattern WIKI = Pattern
            .compile("\\[\\[([^\\[\\]|#\n]{1,300})(?:#[^\\[\\]|\n]{0,200})?(?:\\|[^\\[\\]\n]{0,300})?\\]\\]");
    private static final Pattern FILE_NAME = Pattern.compile(".*\\.[A-Za-z][A-Za-z0-9]{1,4}");
    private static final Pattern FRONT_MATTER = Pattern
            .compile("\uFEFF?---[ \\t]*\\r?\\n([\\s\\S]{0,20000}?)\\n(?:---|\\.\\.\\.)[ \\t]*(?:\\r?\\n|$)");
    private static final Pattern ASSET_LINE = Pattern
            .compile("(?im)^[ \\t-]*(?:[a-z_-]*(?:image|cover|thumbnail|banner|picture|photo|poster|logo|icon|"
                    + "hero|avatar|background)s?|css|csl|bibliography|audio|video|src)[ \\t]*:[ \\t]*[\"']?([^\\s\"'#\\[{]+\\.[a-z0-9]{2,5})[\"']?[ \\t]*$");

    @Override
    public boolean recognises(String extension, Head head) {
        return Markdown.FORMAT.hasEnding(extension);
    }

    @Override
    public void read(DocumentContent document, LinkSink sink) throws IOException, Unreadable {
        byte[] bytes = document.bytes(MAX_BYTES);
        TextDecoding.requireText(bytes);
        String text = TextDecoding.decode(bytes);
        if (text.chars().filter(c -> MARKS.indexOf(c) >= 0).limit(MOST_MARKS + 1L).count() > MOST_MARKS) {
            throw new Unreadable(
                    new ReadProblem(ReadProblem.Kind.TOO_LARGE, SourcePosition.WHOLE,
                            ReadWording.TOO_MUCH_MARKUP.say(Facts.of(MOST, MOST_MARKS))));
        }
        Node parsed = Parser.builder().includeSourceSpans(IncludeSourceSpans.BLOCKS_AND_INLINES).maxOpenBlockParsers(MAX_NESTED).build()
                .parse(text);
        LineIndex lines = new LineIndex(text);
        parsed.accept(new Links(text, lines, sink));
        frontMatter(text, lines, sink);
    }

    /** What a text says of itself before it begins, between two lines of hyphens: pictures and sheets, a line each. */
    private static void frontMatter(String text, LineIndex lines, LinkSink sink) {
        Matcher matter = FRONT_MATTER.matcher(text);
        if (!matter.lookingAt()) {
            return;
        }
        Matcher line = ASSET_LINE.matcher(text).region(matter.start(1), matter.end(1));
        while (line.find()) {
            sink.link(lines.at(line.start(1)), line.group(1), Notation.WEB).standing(org.opensatchel.formats.link.Link.Standing.GUESSED)
                    .add();
        }
    }

    private static final class Links extends AbstractVisitor {
        private final String text;
        private final LineIndex lines;
        private final LinkSink sink;
        private int depth;

        Links(String text, LineIndex lines, LinkSink sink) {
            this.text = text;
            this.lines = lines;
            this.sink = sink;
        }

        @Override
        protected void visitChildren(Node parent) {
            if (depth < 2 * MAX_NESTED) {
                depth++;
                super.visitChildren(parent);
                depth--;
            }
        }

        @Override
        public void visit(Link link) {
            sink.add(place(link), link.getDestination(), Notation.WEB);
            visitChildren(link);
        }

        @Override
        public void visit(Image image) {
            sink.add(place(image), image.getDestination(), Notation.WEB);
            visitChildren(image);
        }

        /** Links between pages by their names alone, {@code [[a page]]} and {@code ![[a picture.png]]}: wherever that lies. */
        @Override
        public void visit(Text words) {
            if (words.getLiteral().equals("[") || words.getLiteral().indexOf("[[") >= 0) {
                wiki(words);
            }
        }

        private void wiki(Text words) {
            int start = start(words);
            if (start < 0 || !text.startsWith("[[", start + words.getLiteral().indexOf('['))) {
                return;
            }
            int bracket = start + words.getLiteral().indexOf('[');
            Matcher wiki = WIKI.matcher(text).region(bracket, Math.min(text.length(), bracket + LONGEST_LINE));
            if (wiki.lookingAt()) {
                String name = wiki.group(1).strip();
                boolean file = FILE_NAME.matcher(name).matches() && isHandedIn(name);
                // A page that nobody has written yet is no fault.
                sink.link(lines.at(wiki.start(1)), name, Notation.PLAIN)
                        .standing(file ? org.opensatchel.formats.link.Link.Standing.NAMED
                                : org.opensatchel.formats.link.Link.Standing.MENTIONED)
                        .also(file ? List.of() : List.of(name + ".md", name + ".markdown")).add();
            }
        }

        /** Whether a name ends like a file of a project; a sentence in brackets may end like anything. */
        private boolean isHandedIn(String name) {
            String ending = name.substring(name.lastIndexOf('.') + 1).toLowerCase(java.util.Locale.ROOT);
            return !name.startsWith("-") && (sink.endings().kind(ending) != FileKind.OTHER || sink.endings().isDocument(ending));
        }

        @Override
        public void visit(HtmlBlock block) {
            html(block, block.getLiteral());
        }

        @Override
        public void visit(HtmlInline inline) {
            html(inline, inline.getLiteral());
        }

        private void html(Node node, String literal) {
            int start = start(node);
            HtmlLinks.fragment(literal, sink, offset -> start < 0 ? SourcePosition.WHOLE : lines.at(start + offset));
        }

        /** Where the address is written, or where the link begins when it is written elsewhere, as of a reference. */
        private SourcePosition place(Node node) {
            int start = start(node);
            if (start < 0) {
                return SourcePosition.WHOLE;
            }
            List<SourceSpan> spans = node.getSourceSpans();
            SourceSpan last = spans.get(spans.size() - 1);
            String written = text.substring(start, Math.min(text.length(), last.getInputIndex() + last.getLength()));
            int at = written.lastIndexOf("](");
            int found = at < 0 ? (written.startsWith("<") ? 1 : 0) : at + 2;
            while (at >= 0 && found < written.length() && (Character.isWhitespace(written.charAt(found)) || written.charAt(found) == '<')) {
                found++;
            }
            return lines.at(start + found);
        }

        private static int start(Node node) {
            return node.getSourceSpans().isEmpty() ? -1 : node.getSourceSpans().get(0).getInputIndex();
        }
    }
}
