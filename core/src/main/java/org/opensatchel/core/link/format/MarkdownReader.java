package org.opensatchel.core.link.format;

import java.io.IOException;
import java.util.List;
import java.util.Set;
import org.commonmark.node.AbstractVisitor;
import org.commonmark.node.HtmlBlock;
import org.commonmark.node.HtmlInline;
import org.commonmark.node.Image;
import org.commonmark.node.Link;
import org.commonmark.node.Node;
import org.commonmark.node.SourceSpan;
import org.commonmark.parser.IncludeSourceSpans;
import org.commonmark.parser.Parser;
import org.opensatchel.core.finding.Place;
import org.opensatchel.core.link.DocumentContent;
import org.opensatchel.core.link.Head;
import org.opensatchel.core.link.LinkReader;
import org.opensatchel.core.link.LinkSink;
import org.opensatchel.core.link.Unreadable;
import org.opensatchel.core.link.text.LineIndex;
import org.opensatchel.core.link.text.TextDecoding;
import org.opensatchel.core.path.Notation;

/**
 * Markdown texts (CommonMark 0.31): inline links and pictures, reference links that are used, addresses in angle brackets,
 * and the links of HTML in the text. Code is not read.
 */
final class MarkdownReader implements LinkReader {

    private static final Set<String> EXTENSIONS = Set.of("md", "markdown", "mdown", "mkd");
    /** Longest text that is parsed: its tree takes many times its bytes. */
    private static final long MAX_BYTES = 8L << 20;
    private static final int MAX_NESTED = 200;

    @Override
    public String format() {
        return "Markdown text";
    }

    @Override
    public List<String> extensions() {
        return List.of("md", "markdown", "mdown", "mkd");
    }

    @Override
    public boolean recognises(String extension, Head head) {
        return EXTENSIONS.contains(extension);
    }

    @Override
    public void read(DocumentContent document, LinkSink sink) throws IOException, Unreadable {
        byte[] bytes = document.bytes(MAX_BYTES);
        TextDecoding.requireText(bytes);
        String text = TextDecoding.decode(bytes);
        Node parsed = Parser.builder().includeSourceSpans(IncludeSourceSpans.BLOCKS_AND_INLINES).maxOpenBlockParsers(MAX_NESTED).build()
                .parse(text);
        parsed.accept(new Links(text, new LineIndex(text), sink));
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
            HtmlReader.fragment(literal, sink, offset -> start < 0 ? Place.WHOLE : lines.at(start + offset));
        }

        /** Where the address is written, or where the link begins when it is written elsewhere, as of a reference. */
        private Place place(Node node) {
            int start = start(node);
            if (start < 0) {
                return Place.WHOLE;
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
