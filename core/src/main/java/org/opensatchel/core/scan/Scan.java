package org.opensatchel.core.scan;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.opensatchel.base.fact.Phrase;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.project.ProjectFile;
import org.opensatchel.formats.link.DocumentLinks;
import org.opensatchel.formats.timeline.Timeline;

/**
 * What one pass over all contents told.
 *
 * @param facts what was found out about files of which there is anything to say
 * @param documents what each document names, in the order of their paths
 * @param damaged members whose content cannot be read, with what is wrong
 * @param failures the formats of readers of ours that broke, by the file they broke on
 * @param timelines of the documents that hold some, in the order of their paths
 * @param notChecked what could not be looked at: families of findings, and {@code hashes}
 */
public record Scan(Map<ProjectPath, FileFacts> facts, List<DocumentLinks> documents, Map<ProjectPath, Phrase> damaged,
        Map<ProjectPath, String> failures, List<Timeline> timelines, Set<String> notChecked) {

    /** The hash of a file's content: found here, or told by the source. */
    public Optional<String> sha256(ProjectFile file) {
        Optional<String> found = facts(file.path()).sha256();
        return found.isPresent() ? found : file.entry().sha256();
    }

    public FileFacts facts(ProjectPath path) {
        return facts.getOrDefault(path, FileFacts.NONE);
    }
}
