package org.opensatchel.core.example;

import static org.opensatchel.base.fact.FactName.ALLOWED_TYPES;
import static org.opensatchel.base.fact.FactName.COUNT;
import static org.opensatchel.base.fact.FactName.TYPES;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.TreeSet;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.fact.Phrase;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.kit.FolderPattern;
import org.opensatchel.core.kit.FolderRule;
import org.opensatchel.core.kit.Need;
import org.opensatchel.core.project.ProjectTree;
import org.opensatchel.formats.kind.TypeFamily;

/** Proposes a rule for each folder of an example, and one rule for folders that are one series. */
final class FolderProposal {

    /** A folder that holds more kinds of file than this takes anything. */
    private static final int MOST_TYPES = 8;
    private static final int DEEPEST = 6;
    private static final int MOST_FOLDERS = 300;
    /** Fewer folders than this are no series. */
    private static final int SERIES = 3;

    private final ProjectTree tree;
    private final NameTokens tokens;
    private final List<ProposedPart.Folder> out = new ArrayList<>();

    FolderProposal(ProjectTree tree, NameTokens tokens) {
        this.tree = tree;
        this.tokens = tokens;
    }

    List<ProposedPart.Folder> folders() {
        below(List.of(ProjectPath.ROOT), "");
        return out.stream().map(this::takingWhatItHolds).toList();
    }

    /**
     * A folder may fit another rule than the one made from it: each rule takes what every folder held against it has. It takes the rest of
     * a family too, since what one student chose is not all that may be chosen.
     */
    private ProposedPart.Folder takingWhatItHolds(ProposedPart.Folder part) {
        FolderRule rule = part.rule();
        if (rule.accepts().isEmpty()) {
            return part;
        }
        TreeSet<String> types = new TreeSet<>(rule.accepts());
        tree.folders().stream().filter(folder -> rule.path().fits(folder, tokens.fields(), false))
                .forEach(folder -> types.addAll(types(List.of(folder))));
        if (types.contains("") || types.size() > MOST_TYPES) {
            return new ProposedPart.Folder(rule.accepting(List.of()), part.why(), part.examples());
        }
        List<String> alike = TypeFamily.alike(types);
        Phrase why = alike.isEmpty() || !part.why().key().equals(ProposalWording.HOLDS.key()) ? part.why()
                : ProposalWording.HOLDS.say(part.why().facts().and(ALLOWED_TYPES, alike));
        types.addAll(alike);
        return new ProposedPart.Folder(rule.accepting(List.copyOf(types)), why, part.examples());
    }

    /** The folders in these ones, which are one folder to the plan. */
    private void below(List<ProjectPath> parents, String pattern) {
        List<ProjectPath> inside = parents.stream().flatMap(parent -> tree.children(parent).stream()).filter(tree::isFolder)
                .filter(path -> !path.isBesideRoot()).toList();
        Map<String, List<ProjectPath>> series = series(inside, pattern.isEmpty(), parents.size());
        series.forEach((name, members) -> {
            String path = pattern.isEmpty() ? name : pattern + "/" + name;
            boolean programs = KitProposal.isProgramsOwn(name);
            if (out.size() < MOST_FOLDERS && path.split("/").length <= DEEPEST) {
                out.add(folder(path, members, programs, parents.size()));
                if (!programs) {
                    below(members, path);
                }
            }
        });
    }

    private Map<String, List<ProjectPath>> series(List<ProjectPath> folders, boolean top, int parents) {
        Map<String, List<ProjectPath>> exact = new LinkedHashMap<>();
        folders.forEach(folder -> exact.computeIfAbsent(tokens.generalised(folder.name()), key -> new ArrayList<>()).add(folder));
        Map<String, List<String>> numbered = new LinkedHashMap<>();
        exact.keySet().forEach(name -> numbered.computeIfAbsent(NameTokens.numbered(name), key -> new ArrayList<>()).add(name));
        Map<String, List<ProjectPath>> out = new LinkedHashMap<>();
        numbered.forEach((pattern, names) -> {
            boolean one = names.size() >= SERIES && !pattern.equals(names.get(0));
            names.forEach(name -> out.computeIfAbsent(one ? pattern : name, key -> new ArrayList<>()).addAll(exact.get(name)));
        });
        return top ? out : words(out);
    }

    /** Below the top, folders that only hold files, of one set of types, are one folder for each word. */
    private Map<String, List<ProjectPath>> words(Map<String, List<ProjectPath>> found) {
        List<String> plain = found.keySet().stream()
                .filter(name -> name.matches("[\\p{L}\\p{N}\\p{M}-]+") && !KitProposal.isProgramsOwn(name)).toList();
        boolean alike = plain.size() >= SERIES && plain.size() == found.size()
                && plain.stream().map(name -> types(found.get(name))).distinct().count() == 1
                && !types(found.get(plain.get(0))).isEmpty() && plain.stream().allMatch(
                        name -> found.get(name).stream().noneMatch(folder -> tree.children(folder).stream().anyMatch(tree::isFolder)));
        if (!alike) {
            return found;
        }
        Map<String, List<ProjectPath>> out = new LinkedHashMap<>();
        found.values().forEach(members -> out.computeIfAbsent("{word}", key -> new ArrayList<>()).addAll(members));
        return out;
    }

    private TreeSet<String> types(List<ProjectPath> folders) {
        TreeSet<String> types = new TreeSet<>();
        folders.forEach(folder -> KitProposal.files(tree, folder).forEach(file -> types.add(file.extension())));
        return types;
    }

    private ProposedPart.Folder folder(String path, List<ProjectPath> members, boolean programs, int parents) {
        TreeSet<String> types = types(members);
        boolean anything = types.contains("") || types.size() > MOST_TYPES;
        boolean everywhere = members.size() >= parents;
        FolderPattern pattern = FolderPattern.of(path);
        boolean free = pattern.names().stream().anyMatch(name -> !name.isMadeByRoster());
        OptionalInt repeats = free && !pattern.names().get(pattern.names().size() - 1).isMadeByRoster() ? OptionalInt.of(1)
                : OptionalInt.empty();
        Need need = programs || !everywhere || free ? Need.OPTIONAL : Need.REQUIRED;
        FolderRule rule = FolderRule.plain(pattern, need, programs || anything ? List.of() : List.copyOf(types), programs, repeats);
        Phrase why = programs ? ProposalWording.PROGRAM_KEEPS.say()
                : free ? ProposalWording.SAME_KIND.say(Facts.of(COUNT, members.size()))
                        : types.isEmpty() ? ProposalWording.NO_FILES.say() : ProposalWording.HOLDS.say(Facts.of(TYPES, List.copyOf(types)));
        return new ProposedPart.Folder(rule, why, members.stream().limit(4).map(ProjectPath::text).toList());
    }
}
