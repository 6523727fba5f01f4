package org.opensatchel.formats.link;

import static org.opensatchel.base.fact.FactName.MOST;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.fact.Phrase;
import org.opensatchel.base.path.LinkText;
import org.opensatchel.base.path.Notation;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.base.place.SourcePosition;
import org.opensatchel.base.text.Shortened;
import org.opensatchel.formats.kind.Endings;

/**
 * Collects the links of one document, or of a member of one, as a reader finds them. What is no link to a file is let go here, in one
 * place.
 */
public class LinkSink {

    /**
     * How much is kept of one document, or of several that share a sink.
     *
     * @param links most links
     * @param text most characters of all links
     */
    public record Allowance(int links, long text) {

        /** Many times what any real document has. */
        public static final Allowance ONE_DOCUMENT = new Allowance(200_000, 32L << 20);
        /** Links are counted and let go. */
        public static final Allowance NOTHING = new Allowance(0, 0);
    }

    private final ProjectPath file;
    private final ProjectPath document;
    private final int maxText;
    private final Endings endings;
    private final Allowance allowance;
    private final List<Link> links = new ArrayList<>();
    private final List<DocumentLinks.Fault> problems = new ArrayList<>();
    private boolean overflowing;
    private long text;

    public LinkSink(ProjectPath document, int maxText, Endings endings) {
        this(document, maxText, endings, Allowance.ONE_DOCUMENT);
    }

    /**
     * @param maxText longer texts are no links, in characters
     * @param endings what is known of files by how their names end
     */
    public LinkSink(ProjectPath document, int maxText, Endings endings, Allowance allowance) {
        this(document, document, maxText, endings, allowance);
    }

    protected LinkSink(ProjectPath file, ProjectPath document, int maxText, Endings endings, Allowance allowance) {
        this.endings = endings;
        this.file = file;
        this.document = document;
        this.maxText = maxText;
        this.allowance = allowance;
    }

    /** What is known of files by how their names end. */
    public Endings endings() {
        return endings;
    }

    /** A link that is being described; {@link #add} hands it in. */
    public final class Draft {
        private final SourcePosition at;
        private final String text;
        private final Notation notation;
        private String path;
        private String base = "";
        private Link.Standing standing = Link.Standing.STATED;
        private String alternatives = "";
        private boolean inUse;
        private List<String> also = List.of();
        private List<String> forms = List.of();
        private Optional<String> inclusion = Optional.empty();

        private Draft(SourcePosition at, String text, Notation notation) {
            this.at = at;
            this.text = text;
            this.path = text;
            this.notation = notation;
        }

        /** What is looked up, where that is not the text. */
        public Draft reading(String whole) {
            path = whole;
            return this;
        }

        public Draft base(String start) {
            base = start;
            return this;
        }

        public Draft standing(Link.Standing says) {
            standing = says;
            return this;
        }

        /** Is one of several of which one is enough; they share this word. */
        public Draft alternatives(String group) {
            alternatives = group;
            return this;
        }

        /** The same for the one of them that is opened whatever becomes of the others. */
        public Draft inUse(String group) {
            alternatives = group;
            inUse = true;
            return this;
        }

        /** Where there is none of that name, these are looked up in order. */
        public Draft also(List<String> paths) {
            also = paths;
            return this;
        }

        /** The same link as it is written elsewhere in the document. */
        public Draft forms(List<String> texts) {
            forms = texts;
            return this;
        }

        /** The linked document becomes part of this one. */
        public Draft including() {
            return including("");
        }

        /** The same where something stands before every path in it that has nothing of its own before it. */
        public Draft including(String prefix) {
            inclusion = Optional.of(prefix);
            return this;
        }

        public void add() {
            String asked = bounded(path, notation);
            if (LinkText.read(asked, notation).isPresent()) {
                take(new Link(document, file, at, shortened(text), asked, notation, bounded(base, notation), Optional.empty(), standing,
                        alternatives,
                        inUse, also.stream().map(other -> bounded(other, notation)).toList(),
                        forms.stream().map(LinkSink.this::shortened).toList(), inclusion.map(LinkSink.this::shortened)));
            }
        }
    }

    public Draft link(SourcePosition at, String text, Notation notation) {
        return new Draft(at, text, notation);
    }

    public void add(SourcePosition at, String text, Notation notation) {
        link(at, text, notation).add();
    }

    public void add(SourcePosition at, String text, Notation notation, String base) {
        link(at, text, notation).base(base).add();
    }

    public void addSequence(SourcePosition at, String text, Notation notation, Link.Frames frames) {
        String asked = bounded(text, notation);
        Optional<Link.Frames> numbers = asked.contains(Link.FRAME_MARK) ? Optional.of(frames) : Optional.empty();
        take(new Link(document, file, at, shortened(text), asked, notation, "", numbers, Link.Standing.STATED, "", false,
                List.of(), List.of(), Optional.empty()));
    }

    /** What becomes of a link; a member's sink lets go what is there in its package. */
    protected void take(Link link) {
        long length = (long) link.text().length() + link.path().length() + link.base().length();
        length += link.also().stream().mapToInt(String::length).sum() + link.forms().stream().mapToInt(String::length).sum();
        if (overflowing) {
            return;
        }
        if (links.size() < allowance.links && text + length <= allowance.text) {
            links.add(link);
            text += length;
            return;
        }
        overflowing = true;
        Phrase much = links.size() < allowance.links ? ReadWording.TOO_LONG_LINKS.say(Facts.of(MOST, allowance.text))
                : ReadWording.TOO_MANY_LINKS.say(Facts.of(MOST, allowance.links));
        problem(new ReadProblem(ReadProblem.Kind.TOO_LARGE, SourcePosition.WHOLE, much));
    }

    /** How many links are kept. */
    public int count() {
        return links.size();
    }

    /** Whether more was named than is kept. */
    public boolean isOverflowing() {
        return overflowing;
    }

    /** Characters of all links that are kept. */
    public long textLength() {
        return text;
    }

    /** Tells that this could not be read to its end; what was found before is kept. */
    public void problem(ReadProblem problem) {
        problem(new DocumentLinks.Fault(document, problem));
    }

    protected void problem(DocumentLinks.Fault one) {
        problems.add(one);
    }

    /** Takes a link of a member as it is. */
    public void takeMember(Link link) {
        take(link);
    }

    /** Takes what is wrong with a member. */
    public void adopt(DocumentLinks.Fault one) {
        problem(one);
    }

    public List<DocumentLinks.Fault> problems() {
        return List.copyOf(problems);
    }

    /** The links in the order of the document. */
    public List<Link> links() {
        List<Link> ordered = new ArrayList<>(links);
        ordered.sort(Comparator.comparing(Link::document).thenComparing(Link::at));
        return ordered;
    }

    public ProjectPath file() {
        return file;
    }

    protected ProjectPath document() {
        return document;
    }

    /** The longest text of a link that is kept, in code units. */
    public int maxText() {
        return maxText;
    }

    /** No computer opens so long a path: that it leads nowhere can be told from its beginning, and it costs no more than that. */
    private String bounded(String path, Notation notation) {
        if (path.length() <= ProjectPath.LONGEST) {
            return path;
        }
        String asked = notation.isUri() ? LinkText.withoutQuery(path) : path;
        return asked.substring(0, Math.min(asked.length(), ProjectPath.LONGEST));
    }

    protected String shortened(String text) {
        return Shortened.end(text, maxText);
    }
}
