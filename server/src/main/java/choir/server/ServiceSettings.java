package choir.server;

import choir.storage.Assumed;
import jakarta.validation.Valid;
import jakarta.validation.constraints.AssertTrue;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import java.net.URI;
import java.nio.file.Path;
import java.time.Duration;
import java.time.ZoneId;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.boot.context.properties.ConfigurationProperties;
import org.springframework.boot.context.properties.bind.DefaultValue;
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
 * @param exports a folder into which tables of what is known are put; {@code exports} in the data folder when missing
 * @param exportForms {@code parquet}, {@code csv} or both
 * @param keep for how long records are kept
 * @param assumed what storage is reckoned with where nothing was measured
 * @param speed how many times as fast its clock goes, and from when on, beside simulated recorders that do as well; never else
 * @param tls by which certificate it is spoken to; missing for plain HTTP, on loopback or behind a proxy
 * @param planTick how often plans are looked at
 * @param changeTick how often those are looked after that tell of changes
 * @param mail by what mail is sent, which its own settings say in full
 * @param setup the first administrator; without it a one-time password is made and printed
 * @param organisation by whose accounts people sign in as well; missing for none
 */
@Validated
@ConfigurationProperties(value = "choir", ignoreUnknownFields = false)
public record ServiceSettings(
        Path data,
        ZoneId zone,
        Duration callDeadline,
        Duration readingDeadline,
        Duration writingDeadline,
        Duration stillPatience,
        Duration searchPatience,
        @NotEmpty List<String> recorderAddresses,
        @Nullable Path authorities,
        @Min(1) @Max(1024) int callsAtOnce,
        Duration changePoll,
        Duration changeQuiet,
        @Nullable List<String> hosts,
        @Min(0) int secondPersonFrom,
        @Min(1) @Max(3_660) int activityDays,
        @Min(1) @Max(3_660) int activitySumsDays,
        @Min(1) @Max(1_000) int backupsKept,
        @Nullable Path exports,
        @NotEmpty List<String> exportForms,
        @DefaultValue @Valid Keep keep,
        Assumed assumed,
        @Nullable String speed,
        @Nullable Tls tls,
        @DefaultValue("10s") Duration planTick,
        @DefaultValue("1s") Duration changeTick,
        @Nullable Map<String, String> mail,
        @Nullable Setup setup,
        @Valid @Nullable Organisation organisation) {
    public record Setup(String user, String password) {}

    /**
     * By which the console and the interface are spoken to by TLS; looked at again when the files change.
     *
     * @param certificate a file of PEM with the certificate and those that vouch for it
     * @param key a file of PEM with its key, which only the service's user can read
     */
    public record Tls(Path certificate, Path key) {}

    /**
     * For how many days records are kept; what people decided, the journal and what was in force stay for good.
     *
     * @param previews and what they would have changed
     * @param works to which recorders an audit or a reading went, and how it was there
     * @param rollouts the steps of a rollout; it can be undone for as long
     * @param findings those that have ended and of which nobody decided anything
     */
    public record Keep(
            @DefaultValue("30") @Min(1) @Max(36_600) int previews,
            @DefaultValue("100") @Min(1) @Max(36_600) int works,
            @DefaultValue("1100") @Min(1) @Max(36_600) int rollouts,
            @DefaultValue("1100") @Min(1) @Max(36_600) int findings) {}

    /**
     * By whose accounts people sign in beside passwords: OpenID Connect.
     *
     * @param name what people call it
     * @param issuer as its discovery document says it
     * @param client how this service is known there
     * @param secretFile whose first line is this service's secret there; missing for a public client
     * @param nameClaim what somebody is called here
     * @param groupsClaim what says their groups, in the identity token or by the issuer's user information
     * @param administrators groups whose members are, for the whole fleet; the highest role of all of somebody's groups counts
     * @param places groups whose members have a role at a place, beside that
     * @param address under which browsers know this service, without a path, when that is not the one they ask by
     */
    public record Organisation(
            @NotBlank String name,
            @NotNull URI issuer,
            @NotBlank String client,
            @Nullable Path secretFile,
            @DefaultValue("preferred_username") String nameClaim,
            @DefaultValue("groups") String groupsClaim,
            @DefaultValue List<String> administrators,
            @DefaultValue List<String> editors,
            @DefaultValue List<String> technicians,
            @DefaultValue List<String> viewers,
            @DefaultValue List<@Valid AtPlace> places,
            @Nullable URI address) {
        /** @param role with its place, such as {@code technician:terminals/haldr} */
        public record AtPlace(
                @NotBlank String members,

                @Pattern(regexp = "(viewer|technician|editor|administrator):.+")
                String role) {}

        /** Whoever stands on the way could otherwise say who anybody is. */
        @AssertTrue(message = "the issuer has to be an https address; http is for this machine alone")
        public boolean isIssuerSafe() {
            boolean here = Set.of("127.0.0.1", "[::1]", "localhost").contains(String.valueOf(issuer.getHost()));
            return "https".equals(issuer.getScheme()) || here && "http".equals(issuer.getScheme());
        }

        /** What members of those groups are: the highest role for the fleet, and all that they have at places. */
        public List<String> roles(List<String> groups) {
            Map<String, List<String>> roles = new LinkedHashMap<>();
            roles.put("administrator", administrators);
            roles.put("editor", editors);
            roles.put("technician", technicians);
            roles.put("viewer", viewers);
            var everywhere = roles.entrySet().stream()
                    .filter(e -> !Collections.disjoint(e.getValue(), groups))
                    .map(Map.Entry::getKey)
                    .limit(1);
            var here = places.stream()
                    .filter(p -> groups.contains(p.members()))
                    .map(AtPlace::role)
                    .distinct();
            return Stream.concat(everywhere, here).toList();
        }
    }
}
