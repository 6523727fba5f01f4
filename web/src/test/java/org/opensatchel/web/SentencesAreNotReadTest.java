package org.opensatchel.web;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static org.assertj.core.api.Assertions.assertThat;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.lang.ArchRule;
import com.tngtech.archunit.lang.CompositeArchRule;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.opensatchel.core.report.Report;
import org.opensatchel.core.report.ReportDigest;

/** What is said is made from facts when it is shown, and nothing takes it apart again: of all modules, only the renderer looks at it. */
class SentencesAreNotReadTest {

    private static final JavaClasses ALL = new ClassFileImporter().importPaths(Path.of("../core/target/classes"),
            Path.of("../cli/target/classes"), Path.of("../worker/target/classes"), Path.of("target/classes"));

    @Test
    void nobodyOutsideTheRendererTouchesAMessage() {
        assertThat(ALL.stream().map(type -> type.getPackageName().replaceFirst("org\\.opensatchel\\.(\\w+).*", "$1")).distinct())
                .contains("core", "cli", "worker", "web");
        CompositeArchRule.of(untouched(Report.FindingLine.class, "message")).and(untouched(Report.FindingLine.class, "why"))
                .and(untouched(Report.FindingLine.class, "remedy"))
                .and(untouched(Report.ConsequenceLine.class, "message")).and(untouched(Report.CandidateLine.class, "why"))
                .and(untouched(Report.CarryLinkLine.class, "why")).and(untouched(Report.CarryFileLine.class, "why"))
                .and(untouched(ReportDigest.Reason.class, "why"))
                .check(ALL);
    }

    /** A digest copies what was said as it stands. */
    private static ArchRule untouched(Class<?> owner, String method) {
        return noClasses().that().resideOutsideOfPackage("..core.words..").and().areNotAssignableTo(ReportDigest.class).should()
                .callMethod(owner, method);
    }
}
