package org.opensatchel.core;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.lang.CompositeArchRule;
import com.tngtech.archunit.library.dependencies.SlicesRuleDefinition;
import java.util.List;
import org.junit.jupiter.api.Test;

/** The walls of the core. */
class WallsTest {

    private static final JavaClasses ALL = new ClassFileImporter().withImportOption(new OwnClasses())
            .importPackages("org.opensatchel.base", "org.opensatchel.formats", "org.opensatchel.core");

    @Test
    void theCoreKnowsNoInterfaceAndNoFramework() {
        CompositeArchRule
                .of(noClasses().should().dependOnClassesThat().resideInAnyPackage("org.springframework..", "jakarta..", "javax.servlet..",
                        "org.hibernate..", "org.thymeleaf..", "picocli.."))
                .and(noClasses().that().resideInAPackage("..core.resolve..").should().dependOnClassesThat()
                        .resideInAnyPackage("..core.check..", "..core.match..", "..core.report.."))
                .check(ALL);
    }

    /** What paths, facts and places are knows nothing else; what formats are knows nothing of kits, checks and reports. */
    @Test
    void whatLiesBelowKnowsNothingAbove() {
        noClasses().that().resideInAPackage("..base..").should().dependOnClassesThat()
                .resideInAnyPackage("..opensatchel.formats..", "..opensatchel.core..").check(ALL);
        noClasses().that().resideInAPackage("..opensatchel.formats..").should().dependOnClassesThat()
                .resideInAnyPackage("..opensatchel.core..").check(ALL);
    }

    @Test
    void packagesDependOnEachOtherOneWay() {
        for (String house : List.of("base", "formats", "core")) {
            SlicesRuleDefinition.slices().matching("org.opensatchel." + house + ".(*)..").should().beFreeOfCycles().check(ALL);
        }
        // And at every level below: check and check.rule, the formats and each of them.
        SlicesRuleDefinition.slices().matching("org.opensatchel.(**)").should().beFreeOfCycles().check(ALL);
    }
}
