package choir.server.backup;

import static org.assertj.core.api.Assertions.assertThat;

import choir.family.NativeConfig;
import choir.family.NativeValue;
import choir.policy.Catalogue;
import choir.server.Scratch;
import choir.server.TestService;
import choir.server.db.Database;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.Map;
import java.util.concurrent.atomic.AtomicBoolean;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** A copy made while the service runs, and a service that is started on it later. */
class BackupTest {
    private TestService service;

    @BeforeEach
    void start() {
        service = TestService.start();
        service.added("r1").channel("01", new NativeConfig(Map.of(Catalogue.AFTER_EVENT, NativeValue.number(10))));
        service.read();
    }

    @AfterEach
    void stop() {
        service.close();
    }

    private void addGroup(String path) {
        assertThat(service.post("/api/v1/groups", Map.of("path", path)).status())
                .isEqualTo(201);
    }

    private Path made() {
        var made = service.post("/api/v1/backups", Map.of());
        assertThat(made.status()).as(made.detail()).isEqualTo(201);
        return service.folder()
                .resolve("backups")
                .resolve(made.body().path("name").asString());
    }

    private long count(TestService at, String table) {
        return at.bean(Database.class)
                .query("SELECT count(*) FROM " + table)
                .query(Long.class)
                .single();
    }

    private Path restored(Path backup, boolean withKey) throws IOException {
        var folder = Scratch.folder("choir-restored");
        Files.copy(backup, folder.resolve("choir.db"));
        Files.writeString(folder.resolve("restored"), "the backup " + backup.getFileName());
        if (withKey) {
            Files.copy(service.folder().resolve("key"), folder.resolve("key"));
        }
        return folder;
    }

    @Test
    void itIsWholeOfOneMomentAndOpenToNobodyElse() throws IOException, InterruptedException {
        var going = new AtomicBoolean(true);
        var writer = new Thread(() -> {
            for (int i = 0; going.get(); i++) {
                addGroup("fleet/while-" + i);
            }
        });
        writer.start();
        Path backup;
        try {
            backup = made();
        } finally {
            going.set(false);
            writer.join();
        }
        assertThat(PosixFilePermissions.toString(Files.getPosixFilePermissions(backup)))
                .isEqualTo("rw-------");
        var listed = service.get("/api/v1/backups").body();
        assertThat(listed.get(0).path("name").asString())
                .isEqualTo(backup.getFileName().toString());
        assertThat(listed.get(0).path("bytes").asLong()).isEqualTo(Files.size(backup));
        assertThat(service.get("/api/v1/backups/" + backup.getFileName())
                        .whole()
                        .headers()
                        .firstValue("Content-Length"))
                .contains(Long.toString(Files.size(backup)));
        try (var files = Files.list(backup.getParent())) {
            assertThat(files).as("nothing half made").containsExactly(backup);
        }
        assertThat(service.get("/api/v1/backups/choir-20270101T000000.000Z.db").status())
                .isEqualTo(404);
        assertThat(service.get("/api/v1/backups/..%2Fkey").status()).isBetween(400, 404);
    }

    @Test
    void aServiceOnABackupKnowsHowThingsWereAndNotHowTheyAre() throws IOException {
        addGroup("fleet/before");
        service.bean(Database.class)
                .write(() -> service.bean(Database.class)
                        .change("INSERT INTO baseline SELECT camera, hash FROM observation")
                        .update());
        service.bean(Database.class)
                .write(() -> service.bean(Database.class)
                        .change("UPDATE work SET state = 'RUNNING', ended_at = NULL")
                        .update());
        var backup = made();
        addGroup("fleet/after");
        var later = TestService.on(restored(backup, true));
        try {
            assertThat(count(later, "token"))
                    .as("nobody's is left, and one for who signed in anew")
                    .isOne();
            assertThat(count(later, "baseline")).isZero();
            assertThat(count(later, "work WHERE state IN ('RUNNING', 'WAITING') AND stopped_by IS NULL"))
                    .isZero();
            assertThat(count(later, "camera_group WHERE path = 'fleet/before'")).isOne();
            assertThat(count(later, "camera_group WHERE path = 'fleet/after'")).isZero();
            assertThat(count(later, "journal WHERE act = 'restored a backup'")).isOne();
            assertThat(later.get("/api/v1/cameras/r1/01").body().toString())
                    .contains("r1 was not read since the backup choir-", "read it with: choir recorder read r1");
            assertThat(later.folder().resolve("restored")).doesNotExist();
        } finally {
            later.close();
        }
    }

    @Test
    void onlySoManyStay() throws IOException {
        service.close();
        service = TestService.start("--choir.backups-kept=2");
        var first = made();
        var brokenOff = Files.writeString(first.resolveSibling("choir-20270101T000000.000Z.db.new"), "half");
        made();
        made();
        assertThat(service.get("/api/v1/backups").body()).hasSize(2);
        assertThat(first).doesNotExist();
        assertThat(brokenOff).as("left by a service that ended").doesNotExist();
    }

    @Test
    void onlyAdministratorsTakeCopiesAway() {
        service.as("ed", "editor", () -> {
            assertThat(service.post("/api/v1/backups", Map.of()).status()).isEqualTo(403);
            assertThat(service.get("/api/v1/backups").status()).isEqualTo(403);
        });
    }
}
