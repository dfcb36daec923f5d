package choir.server.backup;

import choir.server.backup.Backups.Backup;
import java.security.Principal;
import java.util.List;
import org.springframework.core.io.FileSystemResource;
import org.springframework.core.io.Resource;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Copies of the database. */
@RestController
class BackupApi {
    private final Backups backups;

    BackupApi(Backups backups) {
        this.backups = backups;
    }

    /** Makes one while the service runs, and forgets the oldest. */
    @PostMapping("/api/v1/backups")
    @ResponseStatus(HttpStatus.CREATED)
    Backup make(Principal who) {
        return backups.make(who.getName());
    }

    @GetMapping("/api/v1/backups")
    List<Backup> all() {
        return backups.all();
    }

    @GetMapping("/api/v1/backups/{name}")
    ResponseEntity<Resource> file(@PathVariable String name) {
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_OCTET_STREAM)
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment().filename(name).build().toString())
                .body(new FileSystemResource(backups.file(name)));
    }
}
