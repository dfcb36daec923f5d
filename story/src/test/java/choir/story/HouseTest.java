package choir.story;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;

/** Imports run downwards only. */
@AnalyzeClasses(packages = "choir", importOptions = ImportOption.DoNotIncludeTests.class)
class HouseTest {
    private static final String[] CORE = {
        "choir.week..",
        "choir.scale..",
        "choir.area..",
        "choir.policy..",
        "choir.fleet..",
        "choir.family..",
        "choir.drift..",
        "choir.rollout..",
        "choir.document..",
        "choir.link..",
        "choir.survey.."
    };

    @ArchTest
    static final ArchRule THE_CORE_KNOWS_NOBODY = noClasses()
            .that()
            .resideInAnyPackage(CORE)
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage(
                    "choir.server..",
                    "choir.onvif..",
                    "choir.cli..",
                    "choir.sim..",
                    "org.springframework..",
                    "java.sql..");

    @ArchTest
    static final ArchRule THE_WIRE_KNOWS_ONLY_THE_CORE = noClasses()
            .that()
            .resideInAPackage("choir.onvif..")
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage("choir.server..", "choir.cli..", "choir.sim..", "org.springframework..");

    @ArchTest
    static final ArchRule SIMULATOR_AND_CLIENT_SHARE_NO_CODE = noClasses()
            .that()
            .resideInAPackage("choir.sim..")
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage(concat("choir.onvif..", "choir.server..", "choir.cli.."));

    @ArchTest
    static final ArchRule THE_COMMAND_LINE_KNOWS_ONLY_THE_NETWORK_INTERFACE = noClasses()
            .that()
            .resideInAPackage("choir.cli..")
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage(concat("choir.onvif..", "choir.server..", "choir.sim.."));

    @ArchTest
    static final ArchRule FEATURES_OF_THE_SERVICE_DO_NOT_STAND_IN_A_CIRCLE =
            slices().matching("choir.server.(*)..").should().beFreeOfCycles();

    private static String[] concat(String... more) {
        return java.util.stream.Stream.concat(java.util.Arrays.stream(CORE), java.util.Arrays.stream(more))
                .toArray(String[]::new);
    }
}
