package org.opensatchel.core.check.rule;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.match.PlannedStarter;
import org.opensatchel.core.project.ProjectFile;
import org.opensatchel.core.scan.FileFacts;

/** The files of the project, and what their contents told. */
public interface ContentEvidence {

    List<ProjectFile> files();

    /** All bytes of the project's own files. */
    long bytes();

    /** What was found out about files of which there is anything to say. */
    Map<ProjectPath, FileFacts> facts();

    FileFacts facts(ProjectPath path);

    /** The hash of a file's content, where it is known. */
    Optional<String> sha256(ProjectFile file);

    boolean isManaged(ProjectPath path);

    /** Whether the plan names this file. */
    boolean isPlanned(ProjectPath path);

    /** What became of the starter file that belongs at a path. */
    Optional<PlannedStarter> starter(ProjectPath path);

    Kit.Limits limits();

    /** As many of one code are told; of the rest only their number. */
    int findingsPerCode();
}
