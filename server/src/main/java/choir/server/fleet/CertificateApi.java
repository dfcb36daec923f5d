package choir.server.fleet;

import choir.link.Fingerprint;
import choir.server.db.Database;
import choir.server.journal.Journal;
import choir.server.web.Problem;
import java.security.Principal;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Confirming that a certificate is the recorder's own. */
@RestController
class CertificateApi {
    /** @param fingerprint the SHA-256 of the certificate */
    record Confirmed(String fingerprint) {}

    private final FleetStore fleet;
    private final DeviceStore devices;
    private final Database database;
    private final Journal journal;

    CertificateApi(FleetStore fleet, DeviceStore devices, Database database, Journal journal) {
        this.fleet = fleet;
        this.devices = devices;
        this.database = database;
        this.journal = journal;
    }

    @PutMapping("/api/v1/recorders/{name}/certificate")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void confirm(@PathVariable String name, @RequestBody Confirmed given, Principal who) {
        var fingerprint = Fingerprint.parse(String.valueOf(given.fingerprint()));
        database.write(() -> {
            var recorder = fleet.recorder(name);
            if (recorder.address().filter(a -> "https".equals(a.getScheme())).isEmpty()) {
                throw new Problem(
                        Problem.Kind.INVALID,
                        name + " is spoken to without TLS, so there is no certificate to confirm");
            }
            devices.certificate(name, fingerprint);
            journal.add(
                    who.getName(),
                    "confirmed the certificate of a recorder",
                    name,
                    "SHA-256 " + fingerprint
                            + recorder.certificate().map(c -> ", before " + c).orElse(""));
        });
    }
}
