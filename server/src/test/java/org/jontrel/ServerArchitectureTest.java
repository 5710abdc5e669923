package org.jontrel;

import static com.tngtech.archunit.core.domain.JavaClass.Predicates.simpleNameEndingWith;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.Architectures.layeredArchitecture;
import static org.testng.Assert.assertEquals;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import java.io.IOException;
import java.sql.Connection;
import java.util.List;
import org.jontrel.core.testing.PackagePicture;
import org.testng.annotations.Test;

/** Modules point down only; packages are features with one face. */
public class ServerArchitectureTest {
    private final JavaClasses everything = new ClassFileImporter()
            .withImportOption(ImportOption.Predefined.DO_NOT_INCLUDE_TESTS)
            .withImportOption(location -> !location.contains("-tests.jar"))
            .importPackages("org.jontrel");

    @Test
    public void modulesPointDownOnly() {
        layeredArchitecture()
                .consideringOnlyDependenciesInLayers()
                .layer("server")
                .definedBy("org.jontrel.server..")
                .layer("serve")
                .definedBy("org.jontrel.serve..")
                .layer("site")
                .definedBy("org.jontrel.site..")
                .layer("core")
                .definedBy("org.jontrel.core..")
                .whereLayer("server")
                .mayNotBeAccessedByAnyLayer()
                .whereLayer("serve")
                .mayOnlyBeAccessedByLayers("server")
                .whereLayer("site")
                .mayOnlyBeAccessedByLayers("server", "serve")
                .whereLayer("core")
                .mayOnlyBeAccessedByLayers("server", "serve", "site")
                .check(everything);
    }

    @Test
    public void aSiteRunsWithoutSpring() {
        noClasses()
                .that()
                .resideInAPackage("org.jontrel.site..")
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage("org.springframework..", "jakarta..")
                .check(everything);
    }

    @Test
    public void packagesUseWhatThePicturesShow() throws IOException {
        for (var module : List.of("site", "serve", "server")) {
            assertEquals(
                    PackagePicture.of(everything, "org.jontrel." + module),
                    PackagePicture.inDocument("packages of " + module));
        }
    }

    @Test
    public void whatFeaturesShareKnowsNoneOfThem() {
        noClasses()
                .that()
                .resideInAPackage("org.jontrel.server.web..")
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage(
                        "..server.workspace..",
                        "..server.release..",
                        "..server.site..",
                        "..server.record..",
                        "..server.media..",
                        "..server.account..",
                        "..server.draftpage..",
                        "..serve.site..",
                        "..serve.publicsite..")
                .check(everything);
    }

    @Test
    public void controllersAndMappersStayWithinTheirFeature() {
        classes()
                .that()
                .resideInAnyPackage("org.jontrel.server..", "org.jontrel.serve..", "org.jontrel.site..")
                .and(simpleNameEndingWith("Controller").or(simpleNameEndingWith("Mapper")))
                .should()
                .bePackagePrivate()
                .check(everything);
    }

    @Test
    public void statementsOfASiteReachItsDatabaseOnOneWay() {
        noClasses()
                .that()
                .resideInAPackage("org.jontrel.site..")
                .and()
                .doNotHaveSimpleName("Jdbc")
                .should()
                .callMethod(Connection.class, "prepareStatement", String.class)
                .orShould()
                .callMethod(Connection.class, "createStatement")
                .check(everything);
    }
}
