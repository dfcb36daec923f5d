package choir.server.policy;

import static org.assertj.core.api.Assertions.assertThat;

import choir.server.TestService;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** What nothing stands on can be taken away, and nothing else. */
class RemovalTest {
    private TestService service;

    @BeforeEach
    void start() {
        service = TestService.start();
        service.load("template: house\nmotion: {sensitivity: 70}\n---\ntemplate: yard\nextends: house\n"
                + "---\ngroup: fleet\nuse: [yard]\n");
    }

    @AfterEach
    void stop() {
        service.close();
    }

    private TestService.Answer remove(String path, String version) {
        return service.send("DELETE", path, null, "If-Match", version);
    }

    @Test
    void aTemplateGoesOnceNobodyUsesOrExtendsIt() {
        assertThat(remove("/api/v1/templates/house", "*").detail()).contains("extended by template yard");
        assertThat(remove("/api/v1/templates/yard", "*").detail()).contains("used at fleet", "take it out there first");
        assertThat(service.send("DELETE", "/api/v1/uses?template=yard&node=fleet", null)
                        .status())
                .isEqualTo(204);
        assertThat(remove("/api/v1/templates/yard", "\"7\"").status())
                .as("it is at another revision")
                .isEqualTo(412);
        assertThat(remove("/api/v1/templates/yard", "*").status()).isEqualTo(204);
        assertThat(remove("/api/v1/templates/yard", "*").status()).isEqualTo(404);
        assertThat(remove("/api/v1/templates/house", "*").status()).isEqualTo(204);
        assertThat(service.get("/api/v1/templates").body()).isEmpty();
        assertThat(service.get("/api/v1/journal?about=yard").body().toString()).contains("removed a template");
        // Its name is free for another.
        assertThat(service.post("/api/v1/templates", Map.of("text", "template: yard\nmotion: {sensitivity: 10}\n"))
                        .status())
                .isEqualTo(201);
        assertThat(service.get("/api/v1/templates/yard").body().path("revision").asInt())
                .isEqualTo(1);
    }

    @Test
    void aFamilyGoesOnceNoRecorderIsOfIt() {
        assertThat(remove("/api/v1/families/tern", "*").detail()).contains("ships with");
        assertThat(remove("/api/v1/families/nothing", "*").status()).isEqualTo(404);
        var text = service.get("/api/v1/families/tern")
                .body()
                .path("text")
                .asString()
                .replaceFirst("family: tern", "family: own")
                .replace("maker: Tern", "maker: Own");
        var put = service.send("PUT", "/api/v1/families/own", Map.of("text", text));
        assertThat(put.status()).as(put.detail()).isEqualTo(204);
        service.added("r1", "own");
        assertThat(remove("/api/v1/families/own", "*").detail()).contains("r1 is of family \"own\"");
        assertThat(remove("/api/v1/recorders/r1", "*").status()).isEqualTo(204);
        assertThat(remove("/api/v1/families/own", "*").status()).isEqualTo(204);
        assertThat(service.get("/api/v1/families")
                        .body()
                        .valueStream()
                        .map(f -> f.path("name").asString())
                        .filter(List.of("own")::contains))
                .isEmpty();
    }
}
