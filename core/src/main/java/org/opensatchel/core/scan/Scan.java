package org.opensatchel.core.scan;

import java.util.List;
import java.util.Map;
import java.util.Set;
import org.opensatchel.core.link.DocumentLinks;
import org.opensatchel.core.path.ProjectPath;

/**
 * What one pass over all contents told.
 *
 * @param documents what each document names, in the order of their paths
 * @param damaged members whose content cannot be read, with what is wrong
 * @param failures readers of ours that broke, with the file they broke on
 * @param notChecked what could not be looked at: families of findings, and {@code hashes}
 */
public record Scan(Map<ProjectPath, FileFacts> facts, List<DocumentLinks> documents, Map<ProjectPath, String> damaged,
        Map<ProjectPath, String> failures, Set<String> notChecked) {

    public FileFacts facts(ProjectPath path) {
        return facts.getOrDefault(path, FileFacts.NONE);
    }
}
