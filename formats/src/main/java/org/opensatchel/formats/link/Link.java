package org.opensatchel.formats.link;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.opensatchel.base.path.LinkAddress;
import org.opensatchel.base.path.LinkForm;
import org.opensatchel.base.path.LinkText;
import org.opensatchel.base.path.Notation;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.base.place.SourcePosition;

/**
 * One mention of a file in a document, as written.
 *
 * @param document what holds the mention: the file, or a member of it, as {@code book.epub!/OEBPS/a.xhtml}
 * @param file the file in the project; relative links start from its folder
 * @param at where the link itself begins
 * @param text the value after the format's own escapes are undone, percent-encoding, query and fragment kept
 * @param path what is looked up; another than the text where the format adds to it, like a prefix said once for many
 * @param base what the format says relative links start from instead of the document's folder; empty for the document's folder
 * @param frames the numbers of a sequence, for a link to many files; its text then holds {@code ####} where the number stands
 * @param standing how much the mention says
 * @param alternatives what links share of which one is enough; empty for a link that stands alone
 * @param inUse whether it is the one of its alternatives that is opened, so that the others do not stand in for it
 * @param also other paths that are looked up where there is none of that name, in order: a name without an ending means any of some
 * @param forms the same link as it is written elsewhere in the document: those of them that are paths stand among {@link #also}
 * @param inclusion present when the linked document becomes part of this one: what stands before the paths in it; empty for nothing
 */
public record Link(ProjectPath document, ProjectPath file, SourcePosition at, String text, String path, Notation notation, String base,
        Optional<Frames> frames, Standing standing,
        String alternatives, boolean inUse, List<String> also, List<String> forms, Optional<String> inclusion) {

    public Link {
        also = List.copyOf(also);
        forms = List.copyOf(forms);
    }

    /** Where the number of a frame stands in a sequence's text. */
    public static final String FRAME_MARK = "####";

    /** How much a mention says. */
    public enum Standing {
        /** The format says that a file is named here. */
        STATED,
        /** The same in documents of a program that writes whole paths only: that it is one is no fault of the student's. */
        WHOLE,
        /** Only a file's name stands here; the file may be anywhere in the project. */
        NAMED,
        /** Found by its looks in a file of no known format. */
        GUESSED,
        /** The same in a program: what that makes of a name nobody knows. */
        HINTED,
        /** The same, where names for people stand: a link only when there is such a file. */
        MENTIONED,
        /** Names a member of its own package, which is not there. */
        LOST,
        /** Names a member of its own package that is there under other capitals; the path is that member's. */
        LOST_BUT_FOR_CAPITALS,
        /** Names a file whose content lies in the document itself. */
        ENCLOSED
    }

    /**
     * The numbered files of a sequence.
     *
     * @param first number of the first file
     * @param last number of the last file
     * @param step from one number to the next
     * @param digits least digits of a number, filled with zeros
     */
    public record Frames(long first, long last, long step, int digits) {

        public String number(long frame) {
            String digits = Long.toString(Math.abs(frame));
            return (frame < 0 ? "-" : "") + "0".repeat(Math.max(0, this.digits - digits.length())) + digits;
        }

        public long count() {
            return (last - first) / step + 1;
        }
    }

    /** The link to one frame of a sequence. */
    public Link frame(long number) {
        String shown = frames.orElseThrow().number(number);
        return new Link(document, file, at, text.replace(FRAME_MARK, shown), path.replace(FRAME_MARK, shown), notation, base,
                Optional.empty(), standing, alternatives, inUse, List.of(), forms, inclusion);
    }

    /** The same link, which stands in the document in another form too. */
    public Link and(String form) {
        return new Link(document, file, at, text, path, notation, base, frames, standing, alternatives, inUse, also, List.of(form),
                inclusion);
    }

    /** The same link, looked up under one of its other paths. */
    public Link under(String other) {
        return new Link(document, file, at, text, other, notation, base, frames, standing, alternatives, inUse, List.of(), forms,
                inclusion);
    }

    /** Whether the linked document becomes part of this one. */
    public boolean includes() {
        return inclusion.isPresent();
    }

    /** How sure it is that a file is meant, from 0 to 1; empty where the format says so. */
    public Optional<Double> sure() {
        return isGuess() ? Optional.of(0.3) : Optional.empty();
    }

    /** Whether no format says that a file is named here. */
    public boolean isGuess() {
        return standing == Standing.GUESSED || standing == Standing.HINTED || standing == Standing.MENTIONED;
    }

    /** The form of the link from its text alone. */
    public LinkForm form() {
        return standing == Standing.ENCLOSED ? LinkForm.EMBEDDED
                : LinkText.read(example(), notation).map(LinkAddress::form).orElse(LinkForm.RELATIVE);
    }

    /**
     * The address the link effectively has: its own, or that of its base with its own joined on; empty when it climbs over the top of a
     * disk.
     */
    public Optional<LinkAddress> address() {
        Optional<LinkAddress> own = LinkText.read(example(), notation);
        if (base.isEmpty() || own.isEmpty()) {
            return own;
        }
        LinkForm form = own.get().form();
        Optional<LinkAddress> start = LinkText.read(base, notation);
        if (start.isEmpty() || (form != LinkForm.RELATIVE && !(form == LinkForm.ROOTED && start.get().form() == LinkForm.REMOTE))) {
            return own;
        }
        if (start.get().form() == LinkForm.REMOTE || start.get().form() == LinkForm.VARIABLE) {
            return start;
        }
        List<String> names = start.get().names();
        List<String> joined = new ArrayList<>(start.get().folder() || names.isEmpty() ? names : names.subList(0, names.size() - 1));
        joined.addAll(own.get().names());
        if (start.get().form() == LinkForm.RELATIVE) {
            return Optional.of(new LinkAddress(LinkForm.RELATIVE, "", joined, own.get().folder()));
        }
        return LinkAddress.resolve(List.of(), joined)
                .map(below -> new LinkAddress(start.get().form(), start.get().anchor(), below, own.get().folder()));
    }

    /** Whether the link or its base can be an absolute path; cheaper to ask than its address. */
    public boolean mayBeAbsolute() {
        return !base.isEmpty() || path.indexOf(':') >= 0 || path.startsWith("/") || path.startsWith("\\") || path.startsWith("~")
                || path.startsWith("%");
    }

    /** The path, with the first number of a sequence in it. */
    private String example() {
        return frames.isPresent() ? path.replace(FRAME_MARK, frames.get().number(frames.get().first())) : path;
    }
}
