package org.opensatchel.core.link;

import java.util.List;
import java.util.Optional;
import org.opensatchel.core.path.ProjectPath;

/** What one document names, in the order of the document. */
public record DocumentLinks(ProjectPath document, String format, List<Link> links, Optional<ReadProblem> problem) {

    public DocumentLinks {
        links = List.copyOf(links);
    }
}
