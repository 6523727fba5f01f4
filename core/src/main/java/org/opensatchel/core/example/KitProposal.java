package org.opensatchel.core.example;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Predicate;
import org.opensatchel.base.fact.Phrase;
import org.opensatchel.base.path.NameFolding;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.naming.NamePattern;
import org.opensatchel.core.naming.NameRules;
import org.opensatchel.core.naming.RosterFields;
import org.opensatchel.core.project.Intake;
import org.opensatchel.core.project.ProjectFile;
import org.opensatchel.core.project.ProjectSource;
import org.opensatchel.core.project.ProjectTree;
import org.opensatchel.core.project.ReadLimits;
import org.opensatchel.core.project.RootChoice;
import org.opensatchel.core.project.RootFinder;
import org.opensatchel.core.project.TreeBuilder;
import org.opensatchel.core.scan.ContentScan;
import org.opensatchel.core.scan.Listening;
import org.opensatchel.core.scan.Scan;
import org.opensatchel.formats.described.CustomLinks;
import org.opensatchel.formats.described.Profiles;
import org.opensatchel.formats.link.DocumentLinks;

/** A kit proposed from an example folder, part by part; the example itself fits it. */
public record KitProposal(String title, List<ProposedPart> parts) {

    private static final Set<String> HAND_OUT = Set.of("satchel.kit.json", "START-HERE.html");

    public KitProposal {
        parts = List.copyOf(parts);
    }

    /** A proposal, or why the example cannot be read. */
    public record Reading(Optional<KitProposal> proposal, Optional<Phrase> refusal) {}

    /**
     * Looks at an example project.
     *
     * @param known whose it is, where that is known: their names become fields
     */
    public static Reading of(ProjectSource source, RosterFields known, ReadLimits limits) throws IOException {
        Intake intake = source.list(limits);
        if (intake instanceof Intake.Blocked blocked) {
            return new Reading(Optional.empty(), Optional.of(blocked.what()));
        }
        RootChoice root = new RootFinder(Optional.empty(), known).find(((Intake.Opened) intake).listing());
        ProjectTree tree = new TreeBuilder(source, Optional.empty(), RosterFields.NONE, limits)
                .build(((Intake.Opened) intake).listing(), root).tree();
        if (tree.files().isEmpty() && tree.folders().isEmpty()) {
            return new Reading(Optional.empty(), Optional.of(ProposalWording.NOTHING_THERE.say()));
        }
        Scan scan = new ContentScan(source, limits, path -> true, Set.of(), 0, (files, bytes) -> {}, CustomLinks.NONE, Profiles.NONE,
                Listening.NONE)
                .scan(tree);
        Set<ProjectPath> documents = new java.util.TreeSet<>();
        scan.documents().stream().filter(document -> !document.links().isEmpty()).map(DocumentLinks::document).forEach(documents::add);
        NameTokens tokens = new NameTokens(tree.rootName().orElse(""), known);
        List<ProposedPart> parts = new ArrayList<>();
        parts.add(root(tree, tokens));
        names(tree).ifPresent(parts::add);
        List<ProposedPart.Folder> folders = new FolderProposal(tree, tokens).folders();
        parts.addAll(folders);
        parts.addAll(new RoleProposal(tree, documents, tokens, folders).roles());
        return new Reading(Optional.of(new KitProposal(tree.rootName().filter(name -> !tokens.knowsStudent()).orElse("New kit"), parts)),
                Optional.empty());
    }

    private static ProposedPart root(ProjectTree tree, NameTokens tokens) {
        String name = tree.rootName().orElse("");
        String general = tokens.generalised(name);
        if (tokens.knowsStudent() && NamePattern.read(general).pattern()
                .filter(pattern -> pattern.isMadeByRoster() && !pattern.rosterFields().isEmpty()).isPresent()) {
            return new ProposedPart.Root(NamePattern.of(general), ProposalWording.ROOT_GENERAL.say(), List.of(name));
        }
        return new ProposedPart.Root(NamePattern.of("{course}_{assignment}_{last}_{first}"), ProposalWording.ROOT_USUAL.say(),
                name.isEmpty() ? List.of() : List.of(name));
    }

    private static Optional<ProposedPart> names(ProjectTree tree) {
        List<String> names = tree.files().stream().map(file -> file.path().name()).filter(name -> !HAND_OUT.contains(name)).toList();
        if (names.size() < 3) {
            return Optional.empty();
        }
        List<String> all = new ArrayList<>(names);
        tree.folders().forEach(folder -> all.add(folder.name()));
        boolean spaces = all.stream()
                .anyMatch(name -> name.codePoints().anyMatch(point -> Character.isWhitespace(point) || Character.isSpaceChar(point)));
        boolean lower = all.stream().allMatch(name -> name.equals(name.toLowerCase(java.util.Locale.ROOT)));
        if (spaces && !lower) {
            return Optional.empty();
        }
        ProposalWording why = spaces ? ProposalWording.SMALL_LETTERS
                : lower ? ProposalWording.NO_SPACES_SMALL_LETTERS : ProposalWording.NO_SPACES;
        return Optional.of(new ProposedPart.Names(
                new NameRules(spaces, lower ? NameRules.Letters.LOWER : NameRules.Letters.ANY, 0, true, false, List.of(), false),
                why.say()));
    }

    /** The kit that the accepted parts make; its version is 1. */
    public Kit kit(String kitTitle, Predicate<ProposedPart> accepted) {
        NamePattern root = NamePattern.of("{course}_{assignment}_{last}_{first}");
        Optional<NameRules> names = Optional.empty();
        List<org.opensatchel.core.kit.FolderRule> folders = new ArrayList<>();
        List<Kit.DocumentRule> documents = new ArrayList<>();
        List<Kit.FileRule> files = new ArrayList<>();
        for (ProposedPart part : parts) {
            if (!accepted.test(part)) {
                continue;
            }
            if (part instanceof ProposedPart.Root chosen) {
                root = chosen.name();
            } else if (part instanceof ProposedPart.Names chosen) {
                names = Optional.of(chosen.rules());
            } else if (part instanceof ProposedPart.Folder chosen) {
                folders.add(chosen.rule());
            } else if (part instanceof ProposedPart.Document chosen) {
                documents.add(chosen.rule());
            } else if (part instanceof ProposedPart.File chosen) {
                files.add(chosen.rule());
            }
        }
        return new Kit(kitTitle, 1, Optional.empty(), root, names, folders, Kit.OtherFolders.NOTE, List.of(), documents, files, List.of(),
                Kit.LinkPolicy.DEFAULT, Optional.empty(),
                List.of(), Kit.Limits.NONE, List.of(), Map.of(), Optional.empty(), List.of(), List.of(), List.of());
    }

    /** Files right in a folder, what a hand-out brings left out. */
    static List<ProjectPath> files(ProjectTree tree, ProjectPath folder) {
        return tree.filesIn(folder).stream().map(ProjectFile::path).filter(path -> !HAND_OUT.contains(path.text())).toList();
    }

    static TreeMap<String, List<ProjectPath>> byExtension(List<ProjectPath> files) {
        TreeMap<String, List<ProjectPath>> out = new TreeMap<>();
        files.forEach(file -> out.computeIfAbsent(file.extension(), key -> new ArrayList<>()).add(file));
        return out;
    }

    static boolean isProgramsOwn(String name) {
        String folded = NameFolding.loose(name);
        return List.of("autosave", "autosaves", "cache", "caches", "backup", "backups", "previews", "proxies", "proxy", "temp", "tmp",
                "thumbnails", "peaks").contains(folded);
    }
}
