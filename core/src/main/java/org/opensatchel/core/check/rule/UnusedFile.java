package org.opensatchel.core.check.rule;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.finding.Candidate;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.project.ProjectFile;
import org.opensatchel.core.resolve.ResolvedLink;
import org.opensatchel.formats.Formats;

/** Media that no document links. Given only when every document could be read, and never for what was planned. */
final class UnusedFile implements Rule<UseEvidence> {

    @Override
    public Class<UseEvidence> needs() {
        return UseEvidence.class;
    }

    @Override
    public Set<Code> gives() {
        return Set.of(Code.ASSET_UNUSED);
    }

    @Override
    public List<Finding> judge(UseEvidence evidence) {
        if (!evidence.allLinksKnown() || evidence.links().isEmpty()) {
            return List.of();
        }
        Set<ProjectPath> used = used(evidence);
        evidence.documents().forEach(document -> used.add(document.document()));
        List<Finding> out = new ArrayList<>();
        int more = 0;
        ProjectPath last = ProjectPath.ROOT;
        for (ProjectFile file : evidence.files()) {
            ProjectPath path = file.path();
            boolean unused = Formats.kind(path.extension()).isMedia() && !used.contains(path) && !evidence.isPlanned(path)
                    && !evidence.isManaged(path) && !evidence.proxies().containsKey(path);
            if (unused && out.size() <= evidence.findingsPerCode()) {
                out.add(finding(path).make());
            } else if (unused) {
                more++;
                last = path;
            }
        }
        if (more > 0) {
            out.add(finding(last).times(more).make());
        }
        return out;
    }

    private static Finding.Builder finding(ProjectPath path) {
        return Finding.of(Code.ASSET_UNUSED).path(path);
    }

    private static Set<ProjectPath> used(UseEvidence evidence) {
        Set<ProjectPath> used = new HashSet<>(evidence.linked());
        for (ResolvedLink link : evidence.links()) {
            for (Candidate candidate : link.candidates()) {
                // What may have been meant is not told as left over.
                if (candidate.sure() >= 0.4) {
                    used.add(candidate.path());
                }
            }
        }
        // Whoever uses a stand-in means its original.
        evidence.proxies().values().stream().filter(proxy -> used.contains(proxy.path()))
                .forEach(proxy -> proxy.original().ifPresent(used::add));
        return used;
    }
}
