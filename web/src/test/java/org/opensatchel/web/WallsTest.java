package org.opensatchel.web;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.lang.CompositeArchRule;
import com.tngtech.archunit.library.dependencies.SlicesRuleDefinition;
import jakarta.persistence.Entity;
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
                        .resideOutsideOfPackages("..page..", "..account..", "..handin..").should().dependOnClassesThat()
                        .resideInAPackage("jakarta.servlet.."))
                .check(WEB);
    }

    @Test
    void featuresDependOnEachOtherOneWay() {
        SlicesRuleDefinition.slices().matching("org.opensatchel.web.(*)..").should().beFreeOfCycles().check(WEB);
    }
}
