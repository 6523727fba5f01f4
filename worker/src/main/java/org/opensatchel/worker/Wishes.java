package org.opensatchel.worker;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.opensatchel.base.fact.FactName;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.project.FileIndex;
import org.opensatchel.core.project.ProjectFile;
import org.opensatchel.core.project.ProjectSource;
import org.opensatchel.core.project.ProjectTree;
import org.opensatchel.core.report.Report;
import org.opensatchel.core.report.Report.FindingLine;
import org.opensatchel.formats.Formats;
import org.opensatchel.formats.kind.FileKind;

/** What of a project people will look at first, and so is worth preparing: small pictures, waves, and the lines around what was found. */
final class Wishes {

    private static final int MOST_PICTURES = 300;
    private static final int MOST_SOUNDS = 40;
    private static final int MOST_PASSAGES = 150;
    private static final long LARGEST_PICTURE = 16L << 20;
    private static final long LARGEST_SOUND = 32L << 20;
    private static final long LARGEST_TEXT = 8L << 20;

    private final ProjectTree tree;
    private final ProjectSource source;
    private final Map<String, Errand.Wish> wishes = new LinkedHashMap<>();

    private Wishes(ProjectTree tree, ProjectSource source) {
        this.tree = tree;
        this.source = source;
    }

    static List<Errand.Wish> of(ProjectTree tree, ProjectSource source, Report report) {
        Wishes out = new Wishes(tree, source);
        out.media(FileKind.PICTURE, MOST_PICTURES, LARGEST_PICTURE, Errand.Picture.IN_A_LIST);
        out.media(FileKind.SOUND, MOST_SOUNDS, LARGEST_SOUND, 0);
        report.findings().stream().filter(finding -> finding.code().startsWith("link.") || finding.code().startsWith("asset."))
                .limit(MOST_PASSAGES).forEach(out::passage);
        return new ArrayList<>(out.wishes.values());
    }

    private void media(FileKind kind, int most, long largest, int side) {
        tree.ownFiles().stream().filter(file -> Formats.kind(file.path().extension()) == kind && file.bytes() <= largest).limit(most)
                .forEach(file -> add(file, side, "", ""));
    }

    private void passage(FindingLine finding) {
        tree.file(ProjectPath.of(finding.path())).filter(file -> file.bytes() <= LARGEST_TEXT).ifPresent(
                file -> add(file, 0, finding.at().orElse(""), finding.facts().flatMap(facts -> facts.text(FactName.TEXT)).orElse("")));
    }

    private void add(ProjectFile file, int side, String at, String text) {
        Optional<String> handle = source.hasContent(file.entry()) ? source.handle(file.entry()) : Optional.empty();
        handle.ifPresent(known -> wishes.putIfAbsent(file.path().text() + "\n" + side + "\n" + at + "\n" + text,
                new Errand.Wish(new FileIndex.Line(file.path().text(), file.bytes(), known), side, at, text)));
    }
}
