package org.jontrel.core;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static org.testng.Assert.assertEquals;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import java.io.IOException;
import org.jontrel.core.testing.PackagePicture;
import org.testng.annotations.Test;

/** Dependencies point one way: between the packages of core, and out of core to nothing but small libraries. */
public class CoreArchitectureTest {
    private final JavaClasses classes = new ClassFileImporter()
            .withImportOption(ImportOption.Predefined.DO_NOT_INCLUDE_TESTS)
            .importPackages("org.jontrel.core");

    @Test
    public void packagesUseWhatThePictureShows() throws IOException {
        assertEquals(PackagePicture.of(classes, "org.jontrel.core"), PackagePicture.inDocument("packages of core"));
    }

    @Test
    public void coreKnowsNoWebDatabaseOrFramework() {
        noClasses()
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage(
                        "org.springframework..",
                        "java.sql..",
                        "javax.sql..",
                        "org.apache.ibatis..",
                        "jakarta..",
                        "tools.jackson..",
                        "org.jontrel.site..",
                        "org.jontrel.server..")
                .check(classes);
    }
}
