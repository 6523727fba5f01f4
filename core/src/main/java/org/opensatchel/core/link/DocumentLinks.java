package org.opensatchel.core.link;

import java.util.List;
import org.opensatchel.core.path.ProjectPath;

/**
 * What one document names, in the order of the document.
 *
 * @param problems why it, or members of it, could not be read to the end; empty when all could
 */
public record DocumentLinks(ProjectPath document, String format, List<Link> links, List<Fault> problems) {

    /** A problem and what it was met in: the file, or a member of it. */
    public record Fault(ProjectPath document, ReadProblem problem) {}

    public DocumentLinks {
        links = List.copyOf(links);
        problems = List.copyOf(problems);
    }
}
