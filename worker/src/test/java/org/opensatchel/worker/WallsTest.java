package org.opensatchel.worker;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;

import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import org.junit.jupiter.api.Test;

/** A worker knows the core and nothing of what it is started by. */
class WallsTest {

    @Test
    void noFrameworkAndNoServer() {
        noClasses().should().dependOnClassesThat()
                .resideInAnyPackage("org.springframework..", "jakarta..", "org.opensatchel.web..", "org.opensatchel.cli..")
                .check(new ClassFileImporter().withImportOption(ImportOption.Predefined.DO_NOT_INCLUDE_TESTS)
                        .importPackages("org.opensatchel.worker"));
    }
}
