package org.jontrel;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static org.testng.Assert.assertThrows;

import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import org.testng.annotations.Test;

/** What serves a site alone has nothing of the editor. */
public class StandaloneArchitectureTest {
    @Test
    public void nothingKnowsTheEditor() {
        var everything = new ClassFileImporter()
                .withImportOption(ImportOption.Predefined.DO_NOT_INCLUDE_TESTS)
                .importPackages("org.jontrel");
        noClasses()
                .that()
                .resideInAnyPackage("org.jontrel.standalone..", "org.jontrel.serve..")
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage(
                        "org.jontrel.server..",
                        "org.jontrel.cli..",
                        "org.springframework.security..",
                        "org.springdoc..")
                .check(everything);
    }

    @Test
    public void nothingOfTheEditorIsInTheFile() {
        assertThrows(ClassNotFoundException.class, () -> Class.forName("org.jontrel.server.Application"));
        assertThrows(
                ClassNotFoundException.class,
                () -> Class.forName("org.springframework.security.web.SecurityFilterChain"));
    }
}
