package org.opensatchel.core.resolve;

import java.text.Normalizer;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.opensatchel.base.path.LinkAddress;
import org.opensatchel.base.path.LinkForm;
import org.opensatchel.base.path.LinkText;
import org.opensatchel.base.path.NameFolding;
import org.opensatchel.base.path.Notation;
import org.opensatchel.base.path.PercentCoding;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.project.ProjectFile;
import org.opensatchel.core.project.ProjectTree;
import org.opensatchel.formats.link.Link;

/** Finds a path in the tree: exactly, or with what some systems overlook overlooked, and then says what. */
final class Lookup {

    /**
     * What was found.
     *
     * @param overlooked what had to be overlooked; absent for an exact find
     */
    record Found(ProjectPath path, Optional<Overlooked> overlooked) {}

    private record Variant(ProjectPath path, Overlooked overlooked) {}

    private final ProjectTree tree;
    private final NumberedFiles numbered;

    Lookup(ProjectTree tree, NumberedFiles numbered) {
        this.tree = tree;
        this.numbered = numbered;
    }

    boolean exists(List<String> names) {
        return tree.exists(ProjectPath.of(names));
    }

    Optional<Found> find(Link link, ProjectPath path) {
        Optional<Found> plain = exactOrAlike(path);
        if (plain.isPresent()) {
            return plain;
        }
        for (Variant variant : variants(link)) {
            Optional<Found> found = exactOrAlike(variant.path);
            if (found.isPresent()) {
                return Optional.of(new Found(found.get().path, Optional.of(variant.overlooked)));
            }
        }
        return Optional.empty();
    }

    /** The path a link asks for, its backslashes read as the separators they were meant to be. */
    ProjectPath intended(Link link, ProjectPath path) {
        return path.text().indexOf('\\') < 0 ? path : variants(link).stream().findFirst().map(Variant::path).orElse(path);
    }

    Optional<Found> exactOrAlike(ProjectPath path) {
        // The tree's own path, of which there is one, and not the link's: it is looked up again more than once.
        Optional<ProjectPath> there = tree.file(path).map(ProjectFile::path)
                .or(() -> Optional.of(path).filter(other -> tree.isFolder(other) || tree.isAside(other)));
        if (there.isPresent()) {
            return Optional.of(new Found(there.get(), Optional.empty()));
        }
        Optional<Found> alike = tree.alike(path.text()).stream()
                .min(Comparator.comparing((ProjectPath other) -> tree.file(other).isEmpty()).thenComparing(Comparator.naturalOrder()))
                .map(other -> new Found(other, Optional.of(difference(path.text(), other.text()))));
        return alike.isPresent() || NumberedSet.in(path.name()).isEmpty() ? alike : set(path);
    }

    /** Many files behind one name, in the folder it names or one whose name is alike. */
    private Optional<Found> set(ProjectPath path) {
        if (!numbered.files(path).isEmpty()) {
            return Optional.of(new Found(path, Optional.empty()));
        }
        ProjectPath folder = path.parent();
        Optional<ProjectPath> alike = numbered.alike(path);
        if (alike.isPresent()) {
            return Optional.of(new Found(alike.get(), Optional.of(difference(path.text(), alike.get().text()))));
        }
        return tree.alike(folder.text()).stream()
                .filter(other -> tree.isFolder(other) && !numbered.files(other.child(path.name())).isEmpty()).findFirst()
                .map(other -> new Found(other.child(path.name()), Optional.of(difference(folder.text(), other.text()))));
    }

    private static Overlooked difference(String wanted, String found) {
        if (NameFolding.composed(wanted).equals(NameFolding.composed(found))) {
            return Overlooked.ACCENTS;
        }
        if (Normalizer.normalize(wanted, Normalizer.Form.NFKC).equals(Normalizer.normalize(found, Normalizer.Form.NFKC))) {
            return Overlooked.JOINED_LETTERS;
        }
        return NameFolding.folded(wanted).equals(NameFolding.folded(found)) ? Overlooked.CAPITALS : Overlooked.END_OF_NAME;
    }

    private List<Variant> variants(Link link) {
        String text = link.path();
        List<Variant> out = new ArrayList<>();
        if (!link.base().isEmpty()) {
            // What a format says links start from is no part of the text, and a text read otherwise would start elsewhere.
            return out;
        }
        if (link.notation().isUri()) {
            String path = PercentCoding.decode(LinkText.withoutQuery(text));
            add(out, link, path.replace('\\', '/'), Overlooked.BACKSLASHES, path.indexOf('\\') >= 0);
            add(out, link, text, Overlooked.UNENCODED_SIGNS, text.indexOf('%') >= 0 || text.indexOf('#') >= 0 || text.indexOf('?') >= 0);
            add(out, link, PercentCoding.decode(path), Overlooked.TWICE_ENCODED, path.indexOf('%') >= 0);
        } else {
            add(out, link, text.replace('\\', '/'), Overlooked.BACKSLASHES, text.indexOf('\\') >= 0);
            add(out, link, PercentCoding.decode(text), Overlooked.PERCENT_ENCODING, text.indexOf('%') >= 0);
        }
        return out;
    }

    private static void add(List<Variant> out, Link link, String text, Overlooked overlooked, boolean differs) {
        if (!differs) {
            return;
        }
        Optional<LinkAddress> address = LinkText.read(text, Notation.PLAIN).filter(read -> read.form() == LinkForm.RELATIVE);
        address.flatMap(read -> LinkAddress.resolve(link.file().parent().names(), read.names()))
                .ifPresent(names -> out.add(new Variant(ProjectPath.of(names), overlooked)));
    }
}
