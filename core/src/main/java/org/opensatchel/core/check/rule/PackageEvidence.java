package org.opensatchel.core.check.rule;

import java.util.List;
import java.util.Map;
import org.opensatchel.base.fact.Phrase;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.project.PackageFault;
import org.opensatchel.core.project.RootChoice;

/** The way a project came in. */
public interface PackageEvidence {

    /** Which folder was taken for the project. */
    RootChoice root();

    /** What the source told about the package, paths from the root. */
    List<PackageFault> faults();

    /** Members whose content cannot be read, with what is wrong. */
    Map<ProjectPath, Phrase> damaged();

    /** Files and folders of systems and programs that were set aside. */
    List<String> leftovers();

    StandIns standIns();
}
