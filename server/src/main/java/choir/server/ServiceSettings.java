package choir.server;

import choir.storage.Assumed;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotEmpty;
import java.nio.file.Path;
import java.time.Duration;
import java.time.ZoneId;
import java.util.List;
import org.springframework.boot.context.properties.ConfigurationProperties;
import org.springframework.validation.annotation.Validated;

/**
 * What is set at the start of the service.
 *
 * @param data the folder of the database and the key file
 * @param zone in which "today" is reckoned for end dates
 * @param callDeadline for each call to a recorder
 * @param readingDeadline for everything that is asked of a recorder to know what it holds, whatever it sends meanwhile
 * @param writingDeadline for everything that is written to a recorder in one go
 * @param stillPatience how long somebody who wants a picture waits for it
 * @param searchPatience how long a search waits for the last answer to its probes
 * @param recorderAddresses the networks that recorders may be in, such as {@code 10.20.0.0/16}
 * @param authorities a folder of certificates (PEM) of those who vouch for recorders by TLS; without it only confirmed
 *     certificates are taken
 * @param callsAtOnce how many recorders are talked to at the same time
 * @param changePoll how often a recorder that tells of its changes is asked for them; 0 for not at all
 * @param changeQuiet how long a recorder that told of a change is left in peace before it is audited
 * @param hosts the names by which the service is called beside those of this machine; without them it answers to any name
 *     where it listens on more than loopback
 * @param secondPersonFrom rollouts of so many cameras and more wait for a second person; 0 for none
 * @param activityDays for how many days what was recorded is kept to the second
 * @param activitySumsDays for how many days the sums of it are kept
 * @param backupsKept how many backups stay; the oldest goes when another is made
 * @param assumed what storage is reckoned with where nothing was measured
 * @param setup the first administrator; without it a one-time password is made and printed
 */
@Validated
@ConfigurationProperties("choir")
public record ServiceSettings(
        Path data,
        ZoneId zone,
        Duration callDeadline,
        Duration readingDeadline,
        Duration writingDeadline,
        Duration stillPatience,
        Duration searchPatience,
        @NotEmpty List<String> recorderAddresses,
        @org.jspecify.annotations.Nullable Path authorities,
        @Min(1) @Max(1024) int callsAtOnce,
        Duration changePoll,
        Duration changeQuiet,
        @org.jspecify.annotations.Nullable List<String> hosts,
        @Min(0) int secondPersonFrom,
        @Min(1) @Max(3_660) int activityDays,
        @Min(1) @Max(3_660) int activitySumsDays,
        @Min(1) @Max(1_000) int backupsKept,
        Assumed assumed,
        @org.jspecify.annotations.Nullable Setup setup) {
    public record Setup(String user, String password) {}
}
