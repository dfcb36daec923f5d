package choir.server.db;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import choir.server.Scratch;
import choir.server.TestService;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.util.Map;
import org.assertj.core.api.AbstractThrowableAssert;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** A full disk, a database that is gone, damaged or another's: said in one line, and nothing is lost that was acknowledged. */
class StorageTest {
    private TestService service;

    @BeforeEach
    void start() {
        service = TestService.start();
    }

    @AfterEach
    void stop() {
        service.close();
    }

    private TestService.Answer add(String group) {
        return service.post("/api/v1/groups", Map.of("path", group));
    }

    private String health() {
        return service.get("/actuator/health").body().path("status").asString("");
    }

    private Path file() {
        return service.folder().resolve("choir.db");
    }

    @Test
    void aFullDiskIsSaidAndItGoesOnByItselfOnceThereIsRoom() {
        assertThat(add("fleet/before").status()).isEqualTo(201);
        assertThat(health()).isEqualTo("UP");
        service.pragma("max_page_count = 1");
        int tries = 0;
        var answer = add("fleet/full-0");
        // What fits into the pages that are there is stored.
        while (answer.status() == 201 && tries++ < 5_000) {
            answer = add("fleet/full-" + tries);
        }
        assertThat(answer.status()).isEqualTo(503);
        assertThat(answer.detail()).contains("is full; nothing was stored");
        assertThat(health()).isEqualTo("DOWN");
        var last = "fleet/full-" + tries;
        assertThat(service.get("/api/v1/groups").body().toString())
                .as("reading goes on, and what was refused is not there")
                .contains("fleet/before")
                .doesNotContain("\"" + last + "\"");
        service.pragma("max_page_count = 1073741823");
        assertThat(add(last).status()).isEqualTo(201);
        assertThat(health()).isEqualTo("UP");
    }

    @Test
    void whatMayOnlyBeReadIsSaid() {
        int tries = 0;
        TestService.Answer answer;
        do {
            service.pragma("query_only = on");
            answer = add("fleet/new-" + tries);
            // What the service writes by itself may come first, and is told it instead.
        } while (answer.status() == 201 && tries++ < 20);
        assertThat(answer.status()).as(answer.detail()).isEqualTo(503);
        assertThat(answer.detail()).contains("can only be read; nothing was stored");
        assertThat(add("fleet/new").status())
                .as("by another connection, which may")
                .isEqualTo(201);
        assertThat(health()).isEqualTo("UP");
    }

    @Test
    void intoADatabaseThatWasDeletedNothingIsStored() throws IOException {
        Files.delete(file());
        var answer = add("fleet/lost");
        assertThat(answer.status()).isEqualTo(503);
        assertThat(answer.detail()).contains("choir.db was deleted; nothing is stored any more");
        assertThat(health()).isEqualTo("DOWN");
        Files.writeString(file(), "");
        assertThat(add("fleet/lost").detail()).contains("is another file than was opened");
    }

    private AbstractThrowableAssert<?, ?> startingOn(Path folder) {
        return assertThatThrownBy(() -> TestService.on(folder))
                .hasRootCauseInstanceOf(DataFolder.UnusableException.class);
    }

    private Path folder() {
        return Scratch.folder("choir-storage");
    }

    @Test
    void aDamagedDatabaseIsSaidInOneLine() throws IOException {
        service.close();
        var bytes = Files.readAllBytes(file());
        // Its header is whole, and nothing behind it is.
        for (int i = 4_096; i < bytes.length; i++) {
            bytes[i] = (byte) (i * 31);
        }
        Files.write(file(), bytes);
        assertThatThrownBy(() -> TestService.on(service.folder()))
                .hasStackTraceContaining("choir.db is damaged (")
                .hasStackTraceContaining("put a backup in its place");
        var text = folder();
        Files.writeString(
                text.resolve("choir.db"), "this is a letter to the editor and no database at all".repeat(100));
        assertThatThrownBy(() -> TestService.on(text)).hasStackTraceContaining("is damaged (");
    }

    @Test
    void anothersDatabaseAndALatersAreNotTaken() throws IOException, SQLException {
        var others = folder();
        try (var connection = DriverManager.getConnection("jdbc:sqlite:" + others.resolve("choir.db"));
                var statement = connection.createStatement()) {
            statement.execute("CREATE TABLE recipe (name TEXT)");
        }
        startingOn(others).hasStackTraceContaining("is the database of something else");
        service.close();
        try (var connection = DriverManager.getConnection("jdbc:sqlite:" + file());
                var statement = connection.createStatement()) {
            statement.execute("INSERT INTO flyway_schema_history (installed_rank, version, description, type, script,"
                    + " checksum, installed_by, installed_on, execution_time, success) SELECT max(installed_rank) + 1, '999',"
                    + " 'of the future', 'SQL', 'V999__of_the_future.sql', 1, '', installed_on, 1, 1"
                    + " FROM flyway_schema_history");
        }
        startingOn(service.folder()).hasStackTraceContaining("was made by a newer Choir (schema 999)");
    }
}
