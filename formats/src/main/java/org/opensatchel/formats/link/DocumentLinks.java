package org.opensatchel.formats.link;

import java.util.List;
import java.util.Optional;
import org.opensatchel.base.path.ProjectPath;

/**
 * What one document names, in the order of the document.
 *
 * @param saved the roots of the project that the document says it was saved under, as they are written there
 * @param differs the profile it should fit and does not; empty where it fits, or there is none
 * @param problems why it, or members of it, could not be read to the end; empty when all could
 */
public record DocumentLinks(ProjectPath document, String format, List<Link> links, List<Fault> problems, List<String> saved,
        Optional<String> differs) {

    public DocumentLinks(ProjectPath document, String format, List<Link> links, List<Fault> problems) {
        this(document, format, links, problems, List.of(), Optional.empty());
    }

    /** A problem and what it was met in: the file, or a member of it. */
    public record Fault(ProjectPath document, ReadProblem problem) {}

    public DocumentLinks {
        links = List.copyOf(links);
        problems = List.copyOf(problems);
        saved = List.copyOf(saved);
    }
}
