package org.opensatchel.formats.zip;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.opensatchel.base.path.LinkAddress;
import org.opensatchel.base.path.LinkForm;
import org.opensatchel.base.path.LinkText;
import org.opensatchel.base.path.Notation;
import org.opensatchel.base.path.PercentCoding;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.base.place.SourcePosition;
import org.opensatchel.formats.link.DocumentLinks;
import org.opensatchel.formats.link.Link;
import org.opensatchel.formats.link.LinkSink;

/**
 * Takes the links of one member of a package. What is there in the package is let go; what is not there is told as lost;
 * what leads out of the package starts from the package's own folder.
 */
public final class MemberSink extends LinkSink {

    private final LinkSink whole;
    private final Members members;
    private final String member;
    private final List<String> folder;
    private final boolean caseMatters;

    /**
     * @param whole the sink of the package
     * @param member the member's name
     * @param caseMatters whether names in this kind of package differ by letter case
     */
    public MemberSink(LinkSink whole, Members members, String member, boolean caseMatters) {
        this(whole, members, member, member, caseMatters);
    }

    /** @param source the member whose folder links start from, where that is not the one they stand in */
    public MemberSink(LinkSink whole, Members members, String member, String source, boolean caseMatters) {
        super(whole.file(), ProjectPath.of(whole.file().text() + "!/" + member), whole.maxText(), whole.endings(), Allowance.NOTHING);
        this.whole = whole;
        this.member = member;
        this.members = members;
        this.caseMatters = caseMatters;
        int slash = source.lastIndexOf('/');
        this.folder = slash < 0 ? List.of() : List.of(source.substring(0, slash).split("/"));
    }

    public String member() {
        return member;
    }

    /** A link that the format says leads out of the package: it starts from the package's own folder. */
    public void addOutside(SourcePosition at, String text, Notation notation) {
        if (LinkText.read(text, notation).isPresent()) {
            whole.takeMember(new Link(document(), whole.file(), at, shortened(text), text, notation, "", Optional.empty(),
                    Link.Standing.STATED, "", false, List.of(), List.of(), Optional.empty()));
        }
    }

    @Override
    protected void problem(DocumentLinks.Fault one) {
        whole.adopt(one);
    }

    @Override
    protected void take(Link link) {
        Optional<LinkAddress> address = link.address();
        LinkForm form = address.map(LinkAddress::form).orElse(LinkForm.RELATIVE);
        if (link.standing() == Link.Standing.ENCLOSED || address.isEmpty() || (form != LinkForm.RELATIVE && form != LinkForm.ROOTED)) {
            whole.takeMember(link);
            return;
        }
        List<String> path = walked(form == LinkForm.ROOTED ? List.of() : folder, address.get().names());
        boolean out = !path.isEmpty() && path.get(0).equals("..");
        if (out) {
            whole.takeMember(readAs(link, String.join("/", path.subList(1, path.size())), link.standing()));
            return;
        }
        String name = String.join("/", path);
        boolean there = caseMatters ? members.has(name) : members.hasAlike(name);
        if (there) {
            return;
        }
        Optional<String> alike = members.alike(name);
        if (link.isGuess()) {
            whole.takeMember(readAs(link, link.path(), link.standing()));
        } else if (alike.isPresent()) {
            whole.takeMember(readAs(link, alike.get(), Link.Standing.LOST_BUT_FOR_CAPITALS));
        } else {
            whole.takeMember(readAs(link, link.path(), Link.Standing.LOST));
        }
    }

    /** The same link, looked up under another path from the package's folder. */
    private static Link readAs(Link link, String path, Link.Standing standing) {
        String written = path.isEmpty() ? "."
                : !link.notation().isUri() || standing != Link.Standing.STATED ? path : PercentCoding.encode(path);
        return new Link(link.document(), link.file(), link.at(), link.text(), written, link.notation(), "", link.frames(), standing,
                link.alternatives(), link.inUse(), link.also(), link.forms(), link.inclusion());
    }

    /**
     * The names worked off against a folder; what climbs over the package's top begins with {@code ..}, the first of which leaves the
     * package.
     */
    private static List<String> walked(List<String> from, List<String> names) {
        List<String> out = new ArrayList<>(from);
        for (String name : names) {
            boolean up = name.equals("..");
            if (up && !out.isEmpty() && !out.get(out.size() - 1).equals("..")) {
                out.remove(out.size() - 1);
            } else {
                out.add(name);
            }
        }
        return out;
    }
}
