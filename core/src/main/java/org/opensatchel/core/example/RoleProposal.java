package org.opensatchel.core.example;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import org.opensatchel.base.fact.Phrase;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.kit.Need;
import org.opensatchel.core.naming.NamePattern;
import org.opensatchel.core.project.ProjectTree;

/**
 * Proposes documents and files to be asked for: those whose names tell a student, a version or a date. Of documents every one
 * of a type in a folder has to fit, or a clean example would not fit its own kit.
 */
final class RoleProposal {

    private final ProjectTree tree;
    private final Set<ProjectPath> documents;
    private final NameTokens tokens;
    private final List<ProposedPart.Folder> folders;

    RoleProposal(ProjectTree tree, Set<ProjectPath> documents, NameTokens tokens, List<ProposedPart.Folder> folders) {
        this.tree = tree;
        this.documents = documents;
        this.tokens = tokens;
        this.folders = folders;
    }

    List<ProposedPart> roles() {
        List<ProposedPart> out = new ArrayList<>();
        List<ProjectPath> places = new ArrayList<>(List.of(ProjectPath.ROOT));
        folders.stream().filter(folder -> !folder.rule().managed() && folder.rule().path().isLiteral())
                .forEach(folder -> places.add(ProjectPath.of(folder.rule().path().text())));
        for (ProjectPath place : places) {
            KitProposal.byExtension(KitProposal.files(tree, place)).forEach((type, files) -> roles(place, type, files, out));
        }
        return out;
    }

    private void roles(ProjectPath place, String type, List<ProjectPath> files, List<ProposedPart> out) {
        Map<String, List<ProjectPath>> byPattern = new TreeMap<>();
        files.forEach(file -> byPattern.computeIfAbsent(tokens.generalised(file.stem()), key -> new ArrayList<>()).add(file));
        boolean allGeneral = place.isRoot() || byPattern.keySet().stream().allMatch(RoleProposal::tells);
        byPattern.forEach((pattern, seen) -> {
            List<String> examples = seen.stream().limit(4).map(ProjectPath::name).toList();
            boolean document = seen.stream().allMatch(documents::contains);
            if (tells(pattern) && document && allGeneral) {
                out.add(new ProposedPart.Document(
                        new Kit.DocumentRule("The " + type + " document" + where(place), place, NamePattern.of(pattern), List.of(type),
                                Need.REQUIRED, 0, 0, Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty()),
                        ProposalWording.DOCUMENT_NAMED.say(), examples));
            } else if (tells(pattern) && !document) {
                out.add(file("The " + type + " file" + where(place), place, pattern, type, Need.REQUIRED,
                        ProposalWording.NAMED_FOR_STUDENT.say(), examples));
            } else if (place.isRoot()) {
                out.add(file(seen.get(0).name(), place, pattern, type, Need.OPTIONAL, ProposalWording.IN_ROOT.say(), examples));
            }
        });
    }

    private static ProposedPart file(String role, ProjectPath place, String pattern, String type, Need need, Phrase why,
            List<String> examples) {
        List<String> types = type.isEmpty() ? List.of() : List.of(type);
        return new ProposedPart.File(
                new Kit.FileRule(role, place, NamePattern.of(pattern), types, need, Optional.empty(), Optional.empty(), Optional.empty()),
                why, examples);
    }

    private static String where(ProjectPath place) {
        return place.isRoot() ? "" : " in " + place;
    }

    private static boolean tells(String pattern) {
        return pattern.indexOf('{') >= 0 && !pattern.equals("{text}");
    }
}
