package org.opensatchel.core.link;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.opensatchel.core.finding.Place;
import org.opensatchel.core.path.LinkText;
import org.opensatchel.core.path.Notation;
import org.opensatchel.core.path.ProjectPath;

/** Collects the links of one document as a reader finds them. What is no link to a file is let go here, in one place. */
public final class LinkSink {

    private final ProjectPath document;
    private final int maxText;
    private final List<Link> links = new ArrayList<>();

    public LinkSink(ProjectPath document, int maxText) {
        this.document = document;
        this.maxText = maxText;
    }

    public void add(Place at, String text, Notation notation) {
        add(at, text, notation, "");
    }

    public void add(Place at, String text, Notation notation, String base) {
        if (LinkText.read(text, notation).isPresent()) {
            links.add(new Link(document, at, shortened(text), notation, base, Optional.empty()));
        }
    }

    public void addSequence(Place at, String text, Notation notation, Link.Frames frames) {
        links.add(new Link(document, at, shortened(text), notation, "", Optional.of(frames)));
    }

    /** The links in the order of the document. */
    public List<Link> links() {
        List<Link> ordered = new ArrayList<>(links);
        ordered.sort(Comparator.comparing(Link::at));
        return ordered;
    }

    private String shortened(String text) {
        if (text.length() <= maxText) {
            return text;
        }
        int end = Character.isHighSurrogate(text.charAt(maxText - 2)) ? maxText - 2 : maxText - 1;
        return text.substring(0, end) + "…";
    }
}
