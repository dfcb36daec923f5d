package choir.story;

import static org.assertj.core.api.Assertions.assertThat;

import com.networknt.schema.InputFormat;
import com.networknt.schema.SchemaLocation;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** The OpenAPI document: kept with the console, which is built from it, and true of what the service answers. */
class InterfaceDocumentTest {
    private static final Path KEPT = Path.of("../console/openapi.json");
    private static Ensemble choir;
    private static JsonNode document;

    @BeforeAll
    static void start() {
        choir = new Ensemble();
        choir.recorder("haldr-1", "tern", 2);
        choir.load("template: house\nmotion: {sensitivity: 70}\nrecording: {week: [daily: motion]}\n---\n"
                + "group: fleet\nuse: [house]\n---\ncamera: haldr-1/01\nset: {motion.sensitivity: 60}\nbecause: far\n");
        choir.giveOut("camera:haldr-1/01");
        choir.audit();
        document = choir.get("/api/v1/openapi").body();
    }

    @AfterAll
    static void stop() {
        choir.close();
    }

    @Test
    void isTheOneThatTheConsoleIsBuiltFrom() throws IOException {
        var served = Ensemble.JSON.writerWithDefaultPrettyPrinter().writeValueAsString(document);
        if (Boolean.getBoolean("choir.keep-document")) {
            Files.writeString(KEPT, served + "\n");
        }
        assertThat(Ensemble.JSON.readTree(Files.readString(KEPT)))
                .as("console/openapi.json is not what the service says; renew it by mvn test -pl story"
                        + " -Dtest=InterfaceDocumentTest -Dchoir.keep-document=true")
                .isEqualTo(document);
    }

    @ParameterizedTest
    @CsvSource({
        "/api/v1/recorders, /api/v1/recorders",
        "/api/v1/recorders/{name}, /api/v1/recorders/haldr-1",
        "/api/v1/cameras, /api/v1/cameras",
        "/api/v1/cameras/{recorder}/{channel}, /api/v1/cameras/haldr-1/01",
        "/api/v1/cameras/{recorder}/{channel}/findings, /api/v1/cameras/haldr-1/02/findings",
        "/api/v1/groups, /api/v1/groups",
        "/api/v1/overview, /api/v1/overview",
        "/api/v1/settings, /api/v1/settings",
        "/api/v1/templates, /api/v1/templates",
        "/api/v1/templates/{name}, /api/v1/templates/house",
        "/api/v1/templates/{name}/revisions, /api/v1/templates/house/revisions",
        "/api/v1/findings, /api/v1/findings",
        "/api/v1/audits, /api/v1/audits",
        "/api/v1/audits/last, /api/v1/audits/last",
        "/api/v1/rollouts, /api/v1/rollouts",
        "/api/v1/rollouts/{id}, /api/v1/rollouts/2",
        "/api/v1/journal, /api/v1/journal",
        "/api/v1/session, /api/v1/session",
        "/api/v1/tokens, /api/v1/tokens"
    })
    void isTrueOfWhatIsAnswered(String path, String address) {
        var answer = choir.get(address);
        assertThat(answer.status()).isEqualTo(200);
        var schema = document.path("paths")
                .path(path)
                .path("get")
                .path("responses")
                .path("200")
                .path("content")
                .path("*/*")
                .path("schema");
        assertThat(schema.isObject()).as(path).isTrue();
        assertThat(faults(schema, answer.whole().body())).as(path).isEmpty();
    }

    private static String faults(JsonNode schema, String body) {
        ObjectNode whole = Ensemble.JSON.createObjectNode();
        whole.set("components", document.path("components"));
        whole.set("allOf", Ensemble.JSON.createArrayNode().add(schema));
        return SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12)
                .getSchema(SchemaLocation.of("urn:choir"), whole.toString(), InputFormat.JSON)
                .validate(body, InputFormat.JSON)
                .toString()
                .replace("[]", "");
    }

    @Test
    void namesEveryErrorAsProblemDetails() {
        var answer = choir.post("/api/v1/uses", Map.of("template", "none", "node", "fleet"));
        assertThat(answer.whole().headers().firstValue("Content-Type")).contains("application/problem+json");
        assertThat(answer.body().path("status").asInt()).isEqualTo(404);
    }
}
