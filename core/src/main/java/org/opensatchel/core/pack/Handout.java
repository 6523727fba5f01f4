package org.opensatchel.core.pack;

import static org.opensatchel.base.fact.FactName.FAULT;
import static org.opensatchel.base.fact.FactName.FOUND;
import static org.opensatchel.base.fact.FactName.PARTS;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.TreeSet;
import java.util.stream.Stream;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.fact.Phrase;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.kit.FolderPattern;
import org.opensatchel.core.kit.FolderRule;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.kit.Marker;
import org.opensatchel.core.kit.Need;
import org.opensatchel.core.naming.RosterField;
import org.opensatchel.core.naming.RosterFields;
import org.opensatchel.core.project.ProjectSource;
import org.opensatchel.core.words.Words;

/**
 * A kit made personal for one student or team, packed as a ZIP: the root under its personal name, every planned folder,
 * empty ones too, the starter files, the marker and the guide. The same kit for the same student, in one language, is the same bytes.
 */
public final class Handout {

    private final Kit kit;
    private final String kitSha256;
    private final RosterFields fields;
    private final String root;
    private final byte[] guide;

    private Handout(Kit kit, String kitSha256, RosterFields fields, String root, Words words) {
        this.kit = kit;
        this.kitSha256 = kitSha256;
        this.fields = fields;
        this.root = root;
        this.guide = GuidePage.of(kit, fields, root, words);
    }

    /** Gives the contents of starter files; one that is not there is a {@link java.nio.file.NoSuchFileException}. */
    public interface StarterContents {
        InputStream open(Kit.StarterFile file) throws IOException;
    }

    /** The hand-out, or empty when its root or one of its folders cannot be named; {@link #refusal} tells why. */
    public static Optional<Handout> of(Kit kit, String kitSha256, RosterFields fields) {
        return of(kit, kitSha256, fields, Words.ENGLISH);
    }

    /** The same with its guide in another language. */
    public static Optional<Handout> of(Kit kit, String kitSha256, RosterFields fields, Words words) {
        return refusal(kit, fields).isPresent() ? Optional.empty()
                : kit.root().make(fields, kit.ascii()).map(name -> new Handout(kit, kitSha256, fields, name, words));
    }

    /** Why no hand-out can be made for somebody, as a sentence; empty when it can. */
    public static Optional<Phrase> refusal(Kit kit, RosterFields fields) {
        List<RosterField> missing = missing(kit, fields);
        if (!missing.isEmpty()) {
            return Optional.of(PackWording.NO_FIELD.say(Facts.of(PARTS, missing.stream().map(RosterField::say).toList())));
        }
        Optional<String> root = kit.root().make(fields, kit.ascii());
        if (root.isEmpty()) {
            return Optional.of(PackWording.FREE_FIELD.say());
        }
        for (String path : Stream.concat(root.stream(), folders(kit, fields).stream().map(ProjectPath::text)).toList()) {
            Optional<Phrase> wrong = WriteGuard.refusal(path);
            if (wrong.isPresent()) {
                return Optional.of(PackWording.UNSAFE_NAME.say(Facts.of(FOUND, path).and(FAULT, wrong.get())));
            }
        }
        return Optional.empty();
    }

    /** The roster fields the root's name needs and the student does not have. */
    public static List<RosterField> missing(Kit kit, RosterFields fields) {
        return kit.root().missing(fields);
    }

    /** The root's personal name. */
    public String root() {
        return root;
    }

    /** The folders it holds, in order; patterns with free fields make none. */
    public List<ProjectPath> folders() {
        return folders(kit, fields);
    }

    private static List<ProjectPath> folders(Kit kit, RosterFields fields) {
        TreeSet<ProjectPath> folders = new TreeSet<>();
        for (FolderRule rule : kit.folders()) {
            if (rule.need() != Need.FORBIDDEN) {
                rule.path().make(fields, kit.ascii()).ifPresent(path -> addWithParents(folders, path));
            }
        }
        kit.starter().forEach(file -> addWithParents(folders, file.path().parent()));
        kit.documents().stream().filter(rule -> rule.need() != Need.FORBIDDEN).forEach(rule -> place(kit, rule.in(), fields)
                .ifPresent(in -> addWithParents(folders, in)));
        kit.files().stream().filter(rule -> rule.need() != Need.FORBIDDEN).forEach(rule -> place(kit, rule.in(), fields)
                .ifPresent(in -> addWithParents(folders, in)));
        return List.copyOf(folders);
    }

    /** Where a rule's files belong; a pattern that anybody may fill makes no folder. */
    private static Optional<ProjectPath> place(Kit kit, ProjectPath in, RosterFields fields) {
        return in.isRoot() ? Optional.of(in) : FolderPattern.of(in.text()).make(fields, kit.ascii());
    }

    private static void addWithParents(TreeSet<ProjectPath> folders, ProjectPath folder) {
        for (ProjectPath at = folder; !at.isRoot(); at = at.parent()) {
            folders.add(at);
        }
    }

    /**
     * Writes the archive as it is made; the stream is flushed, not closed.
     *
     * @throws IOException when the stream breaks, or a starter file is not the one the kit names
     */
    public void write(OutputStream out, StarterContents contents) throws IOException {
        write(out, contents, folders(), kit.starter());
    }

    /** Writes only what a newer version brings: the folders and starter files given, the marker and the guide. */
    public void writeChanged(OutputStream out, StarterContents contents, KitUpdate update) throws IOException {
        write(out, contents, folders(), update.fresh());
    }

    private void write(OutputStream out, StarterContents contents, List<ProjectPath> folders, List<Kit.StarterFile> files)
            throws IOException {
        try (ZipWriter zip = new ZipWriter(out, true)) {
            zip.folder(root);
            zip.file(root + "/" + Marker.GUIDE, guide());
            zip.file(root + "/" + Marker.FILE, marker());
            for (ProjectPath folder : folders) {
                zip.folder(root + "/" + folder);
            }
            for (Kit.StarterFile starter : files) {
                try (InputStream content = contents.open(starter)) {
                    zip.file(root + "/" + starter.path(), content, starter.bytes());
                }
            }
        }
    }

    /** This hand-out as a project nobody has worked in; without contents only what is listed can be checked. */
    public ProjectSource asProject(Optional<StarterContents> contents) {
        return new HandoutSource(this, kit.starter(), contents);
    }

    /** The page {@code START-HERE.html}. */
    public byte[] guide() {
        return guide;
    }

    /** The marker file: which kit, and for whom. It holds no time. */
    public byte[] marker() {
        return new Marker(Optional.of(kit.title()), OptionalInt.of(kit.version()), Optional.of(kitSha256), fields).content();
    }
}
