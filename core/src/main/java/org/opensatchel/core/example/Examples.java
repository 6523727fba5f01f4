package org.opensatchel.core.example;

import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.opensatchel.base.fact.Phrase;
import org.opensatchel.base.path.Glob;
import org.opensatchel.base.path.LinkText;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.kit.Marker;
import org.opensatchel.core.naming.RosterFields;
import org.opensatchel.core.project.ContentUnavailable;
import org.opensatchel.core.project.Intake;
import org.opensatchel.core.project.ProjectFile;
import org.opensatchel.core.project.ProjectSource;
import org.opensatchel.core.project.ProjectTree;
import org.opensatchel.core.project.ReadLimits;
import org.opensatchel.core.project.RootChoice;
import org.opensatchel.core.project.RootFinder;
import org.opensatchel.core.project.TreeBuilder;
import org.opensatchel.formats.Formats;
import org.opensatchel.formats.TypeProbe;
import org.opensatchel.formats.described.learn.Example;
import org.opensatchel.formats.guessed.PathFinder;
import org.opensatchel.formats.kind.FileKind;
import org.opensatchel.formats.link.Head;

/** Opens sound projects to learn from: their files by name, and the documents that no reader of ours knows. */
public final class Examples {

    /** Written for people, or programs: they name files in passing. Settings and tables are documents of some programs. */
    private static final Set<String> TOLD_FOR_PROGRAMS = Set.of("csv", "tsv", "ini", "cfg", "yml", "yaml", "toml", "properties");
    /** Documents of all examples together, in bytes. */
    private static final long MOST = 256L << 20;

    /** An example, or why it cannot be read. */
    public record Reading(Optional<Example> example, Optional<Phrase> refusal) {}

    private Examples() {
    }

    /**
     * Opens one.
     *
     * @param files which files are learned from; empty for all that may be documents
     * @param location where it lay when it was saved, as typed; empty where that is found by agreement
     */
    public static Reading open(ProjectSource source, ReadLimits limits, Optional<String> files, Optional<String> location)
            throws IOException {
        return open(source, limits, MOST, files, location);
    }

    /** @param most bytes of all documents that are held */
    public static Reading open(ProjectSource source, ReadLimits limits, long most, Optional<String> files, Optional<String> location)
            throws IOException {
        Intake intake = source.list(limits);
        if (intake instanceof Intake.Blocked blocked) {
            return new Reading(Optional.empty(), Optional.of(blocked.what()));
        }
        RootChoice root = new RootFinder(Optional.empty(), RosterFields.NONE).find(((Intake.Opened) intake).listing());
        ProjectTree tree = new TreeBuilder(source, Optional.empty(), RosterFields.NONE, limits)
                .build(((Intake.Opened) intake).listing(), root).tree();
        Optional<Glob> wanted = files.map(Glob::new);
        Set<ProjectPath> paths = new TreeSet<>();
        List<Example.Document> documents = new ArrayList<>();
        long left = most;
        for (ProjectFile file : tree.ownFiles()) {
            paths.add(file.path());
            boolean mayBe = file.bytes() > 0 && file.bytes() <= Math.min(left, limits.documentBytes()) && source.hasContent(file.entry())
                    && !file.path().name().equals(Marker.FILE);
            if (mayBe && wanted.map(glob -> glob.takes(file.path()) || glob.takes(ProjectPath.of(file.path().name())))
                    .orElseGet(() -> mayBeDocument(file.path()))) {
                Optional<byte[]> content = content(source, file, wanted.isPresent());
                content.ifPresent(bytes -> documents.add(new Example.Document(file.path(), bytes)));
                left -= content.map(bytes -> bytes.length).orElse(0);
            }
        }
        return new Reading(Optional.of(new Example(tree.rootName(), paths,
                location.flatMap(LinkText::readTyped).filter(address -> address.form().isAbsolute()), documents)), Optional.empty());
    }

    private static boolean mayBeDocument(ProjectPath path) {
        FileKind kind = Formats.kind(path.extension());
        boolean prose = PathFinder.prose().contains(path.extension()) && !TOLD_FOR_PROGRAMS.contains(path.extension());
        return !kind.isMedia() && kind != FileKind.FONT && !prose && !path.isHidden();
    }

    private static Optional<byte[]> content(ProjectSource source, ProjectFile file, boolean asked) throws IOException {
        try (InputStream in = source.open(file.entry())) {
            byte[] head = in.readNBytes(TypeProbe.HEAD_BYTES);
            boolean known = TypeProbe.isMedia(head) || Formats.document(file.path().extension(), new Head(head)).isPresent();
            if (!asked && (known || PathFinder.isProgram(new Head(head)))) {
                return Optional.empty();
            }
            byte[] rest = in.readAllBytes();
            byte[] whole = java.util.Arrays.copyOf(head, head.length + rest.length);
            System.arraycopy(rest, 0, whole, head.length, rest.length);
            return Optional.of(whole);
        } catch (ContentUnavailable gone) {
            return Optional.empty();
        }
    }
}
