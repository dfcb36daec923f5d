package choir;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.Architectures.layeredArchitecture;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;

@AnalyzeClasses(packages = "choir", importOptions = ImportOption.DoNotIncludeTests.class)
class ImportDirectionTest {
    @ArchTest
    static final ArchRule NO_CIRCLES = slices().matching("choir.(*)..").should().beFreeOfCycles();

    @ArchTest
    static final ArchRule NO_INTERFACES_NO_STORAGE_NO_SOCKETS_NO_CLOCK = noClasses()
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage(
                    "org.springframework..", "java.sql..", "java.net.http..", "tools.jackson..", "picocli..")
            .orShould()
            .callMethod(java.time.Instant.class, "now")
            .orShould()
            .callMethod(java.time.LocalDate.class, "now");

    @ArchTest
    static final ArchRule DOWNWARDS = layeredArchitecture()
            .consideringOnlyDependenciesInLayers()
            .layer("values")
            .definedBy("choir.week..", "choir.scale..", "choir.area..", "choir.fleet..")
            .layer("policy")
            .definedBy("choir.policy..")
            .layer("document")
            .definedBy("choir.document..")
            .layer("family")
            .definedBy("choir.family..")
            .layer("comparison")
            .definedBy("choir.drift..", "choir.rollout..", "choir.link..", "choir.survey..")
            .whereLayer("comparison")
            .mayNotBeAccessedByAnyLayer()
            .whereLayer("family")
            .mayOnlyBeAccessedByLayers("comparison")
            .whereLayer("document")
            .mayOnlyBeAccessedByLayers("family", "comparison")
            .whereLayer("policy")
            .mayOnlyBeAccessedByLayers("document", "family", "comparison");
}
