package choir.story;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;
import static org.assertj.core.api.Assertions.assertThat;

import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;

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
        "choir.survey..",
        "choir.motion..",
        "choir.trial..",
        "choir.storage..",
        "choir.activity.."
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

    /** The interface document goes by simple names, and would show one of two in place of the other. */
    @ArchTest
    static void whatTheInterfaceShowsHasANameOfItsOwn(JavaClasses classes) {
        Map<String, List<String>> byName = classes.stream()
                .filter(c -> c.isRecord() && c.getPackageName().startsWith("choir.server"))
                .filter(c -> c.getSimpleName().matches(".*(View|Request|Run|Row)"))
                .collect(Collectors.groupingBy(
                        JavaClass::getSimpleName, Collectors.mapping(JavaClass::getName, Collectors.toList())));
        byName.values().removeIf(names -> names.size() == 1);
        assertThat(byName).isEmpty();
    }
}
