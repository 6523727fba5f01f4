package org.opensatchel.web;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.lang.CompositeArchRule;
import com.tngtech.archunit.library.dependencies.SlicesRuleDefinition;
import jakarta.persistence.Entity;
import java.io.PrintStream;
import org.junit.jupiter.api.Test;
import org.springframework.data.repository.Repository;
import org.springframework.stereotype.Controller;

/** The walls of the web application: features meet through services, and nothing imports both ways. */
class WallsTest {

    private static final JavaClasses WEB = new ClassFileImporter().withImportOption(ImportOption.Predefined.DO_NOT_INCLUDE_TESTS)
            .importPackages("org.opensatchel.web");

    @Test
    void entitiesRepositoriesAndControllersStayInTheirFeature() {
        CompositeArchRule.of(classes().that().areAnnotatedWith(Entity.class).should().bePackagePrivate())
                .and(classes().that().areAssignableTo(Repository.class).should().bePackagePrivate())
                .and(classes().that().areAnnotatedWith(Controller.class).should().bePackagePrivate())
                .and(noClasses().that().areNotAnnotatedWith(Controller.class).and()
                        .resideOutsideOfPackages("..http..", "..home..", "..account..", "..upload..", "..report..", "..job..").should()
                        .dependOnClassesThat()
                        .resideInAPackage("jakarta.servlet.."))
                .check(WEB);
    }

    @Test
    void featuresDependOnEachOtherOneWay() {
        SlicesRuleDefinition.slices().matching("org.opensatchel.web.(*)..").should().beFreeOfCycles().check(WEB);
    }

    /** Numbers and letters that programs read are written alike under every system's language; for people there are bundles. */
    @Test
    void nothingIsWrittenInWhateverLanguageTheSystemHas() {
        noClasses().should().callMethod(String.class, "format", String.class, Object[].class).orShould()
                .callMethod(String.class, "formatted", Object[].class).orShould().callMethod(String.class, "toLowerCase").orShould()
                .callMethod(String.class, "toUpperCase").orShould()
                .callMethod(PrintStream.class, "printf", String.class, Object[].class)
                .check(new ClassFileImporter().withImportOption(ImportOption.Predefined.DO_NOT_INCLUDE_TESTS)
                        .importPackages("org.opensatchel"));
    }
}
