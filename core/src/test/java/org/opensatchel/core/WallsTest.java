package org.opensatchel.core;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.lang.CompositeArchRule;
import com.tngtech.archunit.library.dependencies.SlicesRuleDefinition;
import org.junit.jupiter.api.Test;

/** The walls of the core. */
class WallsTest {

    private static final JavaClasses CORE = new ClassFileImporter().withImportOption(ImportOption.Predefined.DO_NOT_INCLUDE_TESTS)
            .importPackages("org.opensatchel.core");

    @Test
    void theCoreKnowsNoInterfaceAndNoFramework() {
        CompositeArchRule
                .of(noClasses().should().dependOnClassesThat().resideInAnyPackage("org.springframework..", "jakarta..", "javax.servlet..",
                        "org.hibernate..", "org.thymeleaf..", "picocli.."))
                .and(noClasses().that().resideInAPackage("..core.link..").should().dependOnClassesThat()
                        .resideInAnyPackage("..core.check..", "..core.resolve..", "..core.match..", "..core.report..", "..core.project.."))
                .and(noClasses().that().resideInAPackage("..core.resolve..").should().dependOnClassesThat()
                        .resideInAnyPackage("..core.check..", "..core.match..", "..core.report.."))
                .and(noClasses().that().resideInAPackage("..core.path..").should().dependOnClassesThat().resideInAnyPackage("..core.link..",
                        "..core.project..", "..core.kit..", "..core.check.."))
                .check(CORE);
    }

    @Test
    void packagesDependOnEachOtherOneWay() {
        SlicesRuleDefinition.slices().matching("org.opensatchel.core.(*)..").should().beFreeOfCycles().check(CORE);
        // And at every level below: link and link.format, check and check.rule.
        SlicesRuleDefinition.slices().matching("org.opensatchel.core.(**)").should().beFreeOfCycles().check(CORE);
    }
}
