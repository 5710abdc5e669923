package org.jontrel.core;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.Architectures.layeredArchitecture;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import org.testng.annotations.Test;

/** Dependencies point one way: between the packages of core, and out of core to nothing but small libraries. */
public class CoreArchitectureTest {
    private final JavaClasses classes = new ClassFileImporter()
            .withImportOption(ImportOption.Predefined.DO_NOT_INCLUDE_TESTS)
            .importPackages("org.jontrel.core");

    @Test
    public void packagesUseOnlyThoseBelow() {
        layeredArchitecture()
                .consideringOnlyDependenciesInLayers()
                .layer("model")
                .definedBy("..core.model..")
                .layer("finding")
                .definedBy("..core.finding..")
                .layer("shape")
                .definedBy("..core.shape..")
                .layer("code")
                .definedBy("..core.code..")
                .layer("yaml")
                .definedBy("..core.yaml..")
                .layer("identity")
                .definedBy("..core.identity..")
                .layer("value")
                .definedBy("..core.value..")
                .layer("holder")
                .definedBy("..core.holder..")
                .layer("check")
                .definedBy("..core.check..")
                .layer("compare")
                .definedBy("..core.compare..")
                .layer("plan")
                .definedBy("..core.plan..")
                .layer("merge")
                .definedBy("..core.merge..")
                .layer("infer")
                .definedBy("..core.infer..")
                .layer("edit")
                .definedBy("..core.edit..")
                .layer("regroup")
                .definedBy("..core.regroup..")
                .layer("sample")
                .definedBy("..core.sample..")
                .whereLayer("sample")
                .mayOnlyAccessLayers("model", "value")
                .whereLayer("infer")
                .mayOnlyAccessLayers("model")
                .whereLayer("edit")
                .mayOnlyAccessLayers("model", "shape", "identity")
                .whereLayer("regroup")
                .mayOnlyAccessLayers("model", "finding", "check", "edit")
                .whereLayer("model")
                .mayNotAccessAnyLayer()
                .whereLayer("finding")
                .mayNotAccessAnyLayer()
                .whereLayer("shape")
                .mayOnlyAccessLayers("model", "finding")
                .whereLayer("code")
                .mayOnlyAccessLayers("model", "finding", "shape", "yaml", "identity")
                .whereLayer("yaml")
                .mayOnlyAccessLayers("finding", "shape")
                .whereLayer("identity")
                .mayOnlyAccessLayers("model", "shape")
                .whereLayer("holder")
                .mayOnlyAccessLayers("model", "edit")
                .whereLayer("value")
                .mayOnlyAccessLayers("model", "finding", "holder")
                .whereLayer("check")
                .mayOnlyAccessLayers("model", "finding", "shape", "value")
                .whereLayer("compare")
                .mayOnlyAccessLayers("model", "shape", "value", "code")
                .whereLayer("merge")
                .mayOnlyAccessLayers("model", "finding", "shape", "check", "compare", "code", "identity", "yaml")
                .whereLayer("plan")
                .mayOnlyAccessLayers("model", "finding", "shape", "code", "holder", "value")
                .check(classes);
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
