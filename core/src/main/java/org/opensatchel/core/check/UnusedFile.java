package org.opensatchel.core.check;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.opensatchel.core.finding.Advice;
import org.opensatchel.core.finding.Candidate;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.media.FileKind;
import org.opensatchel.core.path.ProjectPath;
import org.opensatchel.core.project.ProjectFile;
import org.opensatchel.core.resolve.ResolvedLink;

/** Media that no document links. Given only when every document could be read, and never for what was planned. */
final class UnusedFile implements Check {

    private static final Advice ADVICE = Advice.of("A file is linked from nowhere", "Perhaps a take you keep, perhaps a copy you meant to link.",
            "Nothing has to be done. If you meant to use it, link it; if not, it may go.");

    @Override
    public Map<Code, Advice> catalogue() {
        return Map.of(Code.ASSET_UNUSED, ADVICE);
    }

    @Override
    public List<Finding> judge(Evidence evidence) {
        boolean known = evidence.linksChecked() && !evidence.resolution().links().isEmpty() && evidence.scan().failures().isEmpty()
                && evidence.scan().documents().stream().allMatch(document -> document.problems().isEmpty());
        if (!known) {
            return List.of();
        }
        Set<ProjectPath> used = used(evidence);
        evidence.scan().documents().forEach(document -> used.add(document.document()));
        List<Finding> out = new ArrayList<>();
        int more = 0;
        ProjectPath last = ProjectPath.ROOT;
        for (ProjectFile file : evidence.tree().ownFiles()) {
            ProjectPath path = file.path();
            boolean unused = FileKind.of(path.extension()).isMedia() && !used.contains(path)
                    && evidence.plan().map(plan -> !plan.isPlannedFile(path) && !plan.isManaged(path)).orElse(true);
            if (unused && out.size() <= evidence.findingsPerCode()) {
                out.add(finding(path).saying(sentence(path)));
            } else if (unused) {
                more++;
                last = path;
            }
        }
        if (more > 0) {
            out.add(finding(last).times(more).saying(sentence(last)));
        }
        return out;
    }

    private static Finding.Builder finding(ProjectPath path) {
        return Finding.of(Code.ASSET_UNUSED, ADVICE).path(path);
    }

    private static String sentence(ProjectPath path) {
        return "“" + path + "” is linked from nowhere.";
    }

    private static Set<ProjectPath> used(Evidence evidence) {
        Set<ProjectPath> used = evidence.resolution().linked(evidence.tree());
        for (ResolvedLink link : evidence.resolution().links()) {
            for (Candidate candidate : link.candidates()) {
                if (candidate.sure() >= 0.5) {
                    used.add(candidate.path());
                }
            }
        }
        return used;
    }
}
