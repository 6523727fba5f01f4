package org.opensatchel.core.example;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.opensatchel.base.path.Glob;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.check.CheckRequest;
import org.opensatchel.core.check.ProjectCheck;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.naming.RosterFields;
import org.opensatchel.core.project.ProjectSource;
import org.opensatchel.core.project.ReadLimits;
import org.opensatchel.core.report.Report;
import org.opensatchel.core.report.Verdict;
import org.opensatchel.formats.described.Profile;

/**
 * A profile tried on a project: which documents it describes there, and what becomes of their links.
 *
 * @param report the whole check
 * @param documents the documents it read, with how many links have which outcome
 * @param differing documents that are built otherwise
 * @param unread documents whose names it takes and that it did not know
 */
public record ProfileTrial(Report report, Map<String, Map<String, Integer>> documents, List<String> differing, List<String> unread) {

    /** @param files all files of the project, by which those are found that it should have known */
    public static ProfileTrial of(ProjectSource source, boolean hasDocuments, Profile profile, ReadLimits limits) throws IOException {
        List<ProjectPath> paths = new ArrayList<>();
        Map<String, String> formats = new TreeMap<>();
        CheckRequest request = CheckRequest.of(Optional.empty(), RosterFields.NONE).within(limits).withDocuments(hasDocuments)
                .described(List.of(profile)).hearing((path, format) -> {
                    paths.add(path);
                    format.ifPresent(name -> formats.put(path.text(), name));
                });
        Report report = new ProjectCheck(request).run(source);
        Map<String, Map<String, Integer>> documents = new TreeMap<>();
        formats.forEach((path, format) -> {
            if (format.equals(profile.title())) {
                documents.put(path, new TreeMap<>());
            }
        });
        report.links().forEach(link -> {
            int member = link.document().indexOf("!/");
            Map<String, Integer> counts = documents.get(member < 0 ? link.document() : link.document().substring(0, member));
            if (counts != null) {
                counts.merge(link.outcome(), 1, Integer::sum);
            }
        });
        List<String> differing = report.findings().stream().filter(one -> one.code().equals(Code.LINK_PROFILE_DIFFERS.id()))
                .map(Report.FindingLine::path).toList();
        List<Glob> globs = profile.kinds().stream().map(kind -> new Glob(kind.files())).toList();
        List<String> unread = paths.stream().filter(path -> globs.stream().anyMatch(glob -> glob.takes(path))).map(ProjectPath::text)
                .filter(path -> !documents.containsKey(path) && !differing.contains(path)).toList();
        return new ProfileTrial(report, documents, differing, unread);
    }

    /** Whether the project could be read at all. */
    public boolean isBlocked() {
        return report.verdict() == Verdict.BLOCKED;
    }

    /** Whether it describes documents here, all that it should, and every link of theirs leads to its file. */
    public boolean fits() {
        return !documents.isEmpty() && differing.isEmpty() && documents.values().stream()
                .allMatch(counts -> counts.keySet().stream()
                        .allMatch(outcome -> List.of("ok", "pinned", "remote", "embedded").contains(outcome)));
    }
}
