package choir.story;

import static java.nio.charset.StandardCharsets.ISO_8859_1;
import static org.assertj.core.api.Assertions.assertThat;

import com.networknt.schema.InputFormat;
import com.networknt.schema.Schema;
import com.networknt.schema.SchemaLocation;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;

/** The whole policy as files: loaded, checked, saved, and the same after that. */
class PolicyFilesTest {
    private static final Path KEPT_SCHEMA = Path.of("../docs/policy-schema.json");
    private Ensemble choir;

    @BeforeEach
    void start() {
        choir = new Ensemble();
        choir.recorder("haldr-1", "tern", 3);
        choir.post("/api/v1/groups", Map.of("path", "terminals/haldr/quay"));
    }

    @AfterEach
    void stop() {
        choir.close();
    }

    private Path file(String name, String text) throws IOException {
        var file = choir.folder().resolve("policy").resolve(name);
        Files.createDirectories(file.getParent());
        return Files.writeString(file, text);
    }

    private void wholePolicy() throws IOException {
        // The template that extends stands before the one that it extends.
        file("a.yaml", """
                template: quay
                title: Open quays
                extends: house
                motion:
                  sensitivity: auto, else 55
                  areas:
                    - ignore: swell
                      polygon: [[0, 0.86], [1, 0.785], [1, 1], [0, 1]]
                    - watch: gangway
                      rectangle: [[0.2, 0.1], [0.5, 0.6]]
                      threshold: 0.3%
                recording:
                  week: {replace: true, windows: [daily: motion, fri-mon 22:00-04:00: "motion+alarm"]}
                  clip-every: 10s every 30min
                response: {mail: watch@skerry.example}
                unset: [recording.keep-at-most]
                fixed: [motion.areas]
                """);
        file("b.yaml", """
                template: house
                motion: {detection: on, threshold: 1%}
                recording: {keep-at-most: 30d, before-event: 5s}
                """);
        file("c.yml", """
                group: terminals/haldr/quay
                use: [house, quay]
                ---
                camera: haldr-1/02
                set: {motion.threshold: 0.25%, recording.week: [mon 06:00-07:00: continuous]}
                because: the pier head is 70 m away
                until: 2037-03-01
                ---
                camera: haldr-1/02
                set: {motion.threshold: 0.5%}
                unset: [recording.before-event]
                fixed: [motion.threshold]
                because: "spray: always"
                """);
    }

    private Map<String, String> saved(String folder) throws IOException {
        var at = choir.folder().resolve(folder);
        assertThat(choir.choir("policy", "save", at.toString()).exitCode()).isZero();
        Map<String, String> texts = new TreeMap<>();
        try (var files = Files.walk(at)) {
            for (var file : files.filter(Files::isRegularFile).toList()) {
                texts.put(at.relativize(file).toString(), Files.readString(file));
            }
        }
        return texts;
    }

    @Test
    void isTheSameAfterSavingAndLoadingAgain() throws IOException {
        wholePolicy();
        var folder = choir.folder().resolve("policy").toString();
        var checked = choir.choir("policy", "check", folder);
        assertThat(checked.exitCode()).as(checked.errors()).isEqualTo(3);
        assertThat(checked.out()).contains("3 files without a fault").containsPattern("template +quay +new");
        assertThat(choir.get("/api/v1/templates").body()).isEmpty();

        var loaded = choir.choir("policy", "load", folder, "--yes");
        assertThat(loaded.exitCode()).as(loaded.errors()).isZero();
        var first = saved("first");
        assertThat(first).containsOnlyKeys("cameras.csv", "places.yaml", "templates/house.yaml", "templates/quay.yaml");
        assertThat(first.get("templates/quay.yaml")).contains("polygon: [[0, 0.86], [1, 0.785], [1, 1], [0, 1]]");
        var before = choir.everythingStored();
        var again =
                choir.choir("policy", "load", choir.folder().resolve("first").toString(), "--prune", "--yes");
        assertThat(again.exitCode()).as(again.errors()).isZero();
        assertThat(again.out()).contains("nothing would change");
        assertThat(choir.everythingStored()).isEqualTo(before);
        assertThat(saved("second")).isEqualTo(first);
    }

    @Test
    void prunesOnlyWhenAskedTo() throws IOException {
        wholePolicy();
        choir.choir("policy", "load", choir.folder().resolve("policy").toString(), "--yes");
        var lone =
                Files.writeString(choir.folder().resolve("lone.yaml"), "template: house\nmotion: {detection: off}\n");
        assertThat(choir.choir("policy", "load", lone.toString(), "--yes").out())
                .containsPattern("template +house +revision 2");
        assertThat(choir.get("/api/v1/templates").body()).hasSize(2);
        var pruned = choir.choir("policy", "load", lone.toString(), "--prune", "--yes");
        assertThat(pruned.out())
                .containsPattern("template +quay +removed")
                .contains("uses none, before house, quay")
                .contains("motion.threshold removed, before 0.25%");
        assertThat(saved("after")).containsOnlyKeys("cameras.csv", "places.yaml", "templates/house.yaml");
    }

    @Test
    void everyFaultOfEveryFileIsToldAtOnceWithItsPlace() throws IOException {
        wholePolicy();
        file("bad/one.yaml", "group: terminals/haldr/key\nuse: [hause]\n");
        file("bad/two.yaml", "camera: haldr-1/02\nset: {motion.treshold: 1%}\nbecause: x\n");
        file("bad/three.yaml", "template: house\nextends: nobody\n");
        var before = choir.everythingStored();
        var said =
                choir.choir("policy", "load", choir.folder().resolve("policy").toString(), "--yes");
        assertThat(said.exitCode()).isEqualTo(1);
        assertThat(said.errors()).containsPattern("two.yaml: line 2, column \\d+ .*did you mean \"motion.threshold\"");
        Files.delete(choir.folder().resolve("policy/bad/two.yaml"));
        var names =
                choir.choir("policy", "load", choir.folder().resolve("policy").toString(), "--yes");
        assertThat(names.errors())
                .containsPattern("one.yaml: line 1, column 8 \\(group\\): there is no group .*did you mean")
                .containsPattern(
                        "one.yaml: line 2, column 7 \\(use\\[1\\]\\): there is no template \"hause\"; did you mean \"house\"")
                .containsPattern("three.yaml: line 2, column 10 \\(extends\\): there is no template \"nobody\"")
                .containsPattern("house is told of twice");
        assertThat(choir.everythingStored()).isEqualTo(before);
    }

    @Test
    void anotherServiceBeginsWithAllOfIt() throws IOException {
        wholePolicy();
        choir.choir("policy", "load", choir.folder().resolve("policy").toString(), "--yes");
        choir.choir(0, "group", "add", "terminals/empty");
        choir.choir(0, "camera", "move", "haldr-1/02", "--to", "terminals/haldr/quay");
        choir.choir(0, "camera", "tag", "haldr-1/02", "--tags", "far-view");
        var first = saved("first");
        var folder = choir.folder().resolve("first").toString();
        try (var other = new Ensemble()) {
            other.recorder("haldr-1", "tern", 3);
            assertThat(other.choir(1, "policy", "load", folder, "--yes").errors())
                    .as("without being told to, no group is made")
                    .contains("there is no group \"fleet/terminals/haldr/quay\"");
            var loaded = other.choir(0, "policy", "load", folder, "--new-groups", "--yes");
            assertThat(loaded.out()).containsPattern("group +fleet/terminals/empty +new");
            var placed = other.choir(0, "camera", "import", folder + "/cameras.csv");
            assertThat(placed.out()).contains("3 cameras read, 1 changed");
            var again = other.folder().resolve("again");
            other.choir(0, "policy", "save", again.toString());
            for (var file : first.entrySet()) {
                assertThat(again.resolve(file.getKey())).hasContent(file.getValue());
            }
        }
    }

    @Test
    void circlesAndWhatHasNoEffectAreToldWhereTheyAre() throws IOException {
        var circle = file(
                "circle.yaml", "template: a\nextends: b\n---\ntemplate: b\nextends: c\n---\ntemplate: c\nextends: a\n");
        assertThat(choir.choir(1, "policy", "check", circle.toString()).errors())
                .containsPattern("circle.yaml: line 8, column 1 \\(extends\\): .*a extends b extends c extends a");
        var both = file("both.yaml", "template: a\nmotion: {sensitivity: 5}\nunset: [motion.sensitivity]\n");
        assertThat(choir.choir(1, "policy", "check", both.toString()).errors())
                .contains("motion.sensitivity is set and unset in one document");
        var idle = file("idle.yaml", """
                template: a
                motion: {threshold: 1%}
                fixed: [motion.threshold]
                ---
                group: fleet
                use: [a]
                ---
                camera: haldr-1/01
                set: {motion.threshold: 2%}
                because: it is far
                ---
                camera: haldr-1/02
                set: {motion.sensitivity: 20}
                because: a fair
                until: 2020-01-01
                """);
        assertThat(choir.choir(3, "policy", "check", idle.toString()).out())
                .contains(
                        "mind: haldr-1/01: motion.threshold of the override at haldr-1/01 has no effect: it is fixed by the"
                                + " template a (revision 1) at fleet")
                .contains("mind: haldr-1/02: motion.sensitivity has no effect: it ended on 2020-01-01");
        var latin = Files.write(
                choir.folder().resolve("latin.yaml"), "template: a\ntitle: caf\u00e9\n".getBytes(ISO_8859_1));
        assertThat(choir.choir(1, "policy", "check", latin.toString()).errors())
                .contains("latin.yaml: line 2: this is not UTF-8 text (byte 0xE9)");
    }

    @Test
    void whatWasOnlyTriedLeavesNothingBehind() throws IOException {
        var tried = file("x.yaml", "template: house\nmotion: {sensitivity: 10}\n");
        choir.choir("policy", "check", tried.toString());
        choir.load("template: house\nmotion: {sensitivity: 90}\n---\ngroup: fleet\nuse: [house]\n");
        assertThat(choir.choir("explain", "haldr-1/01", "motion.sensitivity").out())
                .contains("Sensitivity  90");
    }

    @Test
    void theSchemaIsTheOneThatIsPublishedAndFitsWhatIsSaved() throws IOException {
        var schema = published("/api/v1/policy/schema", KEPT_SCHEMA);
        wholePolicy();
        choir.choir("policy", "load", choir.folder().resolve("policy").toString(), "--yes");
        var saved = saved("saved");
        saved.remove("cameras.csv");
        for (var file : saved.entrySet()) {
            for (var document : file.getValue().split("(?m)^---$")) {
                assertThat(schema.validate(document, InputFormat.YAML))
                        .as(file.getKey())
                        .isEmpty();
            }
        }
        assertThat(schema.validate("template: x\nmotion: {sensitivty: 5}\n", InputFormat.YAML))
                .isNotEmpty();
    }

    /** The schema that the service publishes, which is the one that is kept among the documents. */
    private Schema published(String path, Path kept) throws IOException {
        var sorted = JsonMapper.builder()
                .enable(SerializationFeature.ORDER_MAP_ENTRIES_BY_KEYS)
                .build();
        var served = sorted.writerWithDefaultPrettyPrinter()
                .writeValueAsString(sorted.treeToValue(choir.get(path).body(), Object.class));
        if (Boolean.getBoolean("choir.keep-document")) {
            Files.writeString(kept, served + "\n");
        }
        assertThat(Files.readString(kept)).isEqualTo(served + "\n");
        return SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12)
                .getSchema(SchemaLocation.of("urn:choir"), served, InputFormat.JSON);
    }

    @Test
    void familyFilesFitTheSchemaThatIsPublishedForThem() throws IOException {
        var schema = published("/api/v1/family-schema", Path.of("../docs/family-schema.json"));
        for (var family : List.of("tern", "gannet", "petrel", "fulmar", "plover", "auk")) {
            var text = choir.choir("family", "show", family).out();
            assertThat(schema.validate(text, InputFormat.YAML)).as(family).isEmpty();
        }
        assertThat(schema.validate(
                        "family: x\nsettings: {motion.sensitivity: {at: nowhere, form: 1}}\n", InputFormat.YAML))
                .hasSizeGreaterThanOrEqualTo(2);
    }
}
