package org.opensatchel.core.check;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.report.MediaFound;
import org.opensatchel.formats.Formats;
import org.opensatchel.formats.kind.FileKind;
import org.opensatchel.formats.media.MediaContent;
import org.opensatchel.formats.media.MediaFacts;

/** The pictures that models show: those in the model itself, and those it leads to, also by way of another document like its materials. */
final class Textures {

    private static final int MOST = 2_000;

    private final Evidence evidence;
    /** Where the links of each document lead; made once a model asks. */
    private Optional<Map<ProjectPath, Set<ProjectPath>>> leads = Optional.empty();

    Textures(Evidence evidence) {
        this.evidence = evidence;
    }

    MediaFound.Model model(ProjectPath path, MediaContent.Model model) {
        int count = model.textures();
        int width = model.width();
        int height = model.height();
        for (ProjectPath picture : of(path)) {
            count++;
            List<MediaFacts.Picture> shown = evidence.facts(picture).media().map(MediaFacts::pictures).orElse(List.of());
            for (MediaFacts.Picture one : shown) {
                boolean larger = (long) one.width() * one.height() > (long) width * height;
                width = larger ? one.width() : width;
                height = larger ? one.height() : height;
            }
        }
        return new MediaFound.Model(model.vertices(), model.faces(), count,
                width > 0 && height > 0 ? Optional.of(width + "x" + height) : Optional.empty());
    }

    private Set<ProjectPath> of(ProjectPath model) {
        Set<ProjectPath> seen = new HashSet<>(Set.of(model));
        Set<ProjectPath> pictures = new HashSet<>();
        Deque<ProjectPath> open = new ArrayDeque<>(seen);
        while (!open.isEmpty() && seen.size() < MOST) {
            for (ProjectPath target : leads().getOrDefault(open.pop(), Set.of())) {
                if (seen.add(target)) {
                    boolean picture = Formats.kind(target.extension()) == FileKind.PICTURE;
                    (picture ? pictures : open).add(target);
                }
            }
        }
        return pictures;
    }

    private Map<ProjectPath, Set<ProjectPath>> leads() {
        if (leads.isEmpty()) {
            Map<ProjectPath, Set<ProjectPath>> all = new HashMap<>();
            evidence.links().forEach(link -> link.target()
                    .ifPresent(target -> all.computeIfAbsent(link.link().document(), first -> new HashSet<>()).add(target)));
            leads = Optional.of(all);
        }
        return leads.get();
    }
}
