package choir.server.password;

import choir.rollout.Waves;
import choir.server.account.Secrets;
import choir.server.db.Database;
import choir.server.family.KnownFamilies;
import choir.server.fleet.FleetStore;
import choir.server.fleet.PasswordStore;
import choir.server.fleet.PauseStore;
import choir.server.fleet.StoredRecorder;
import choir.server.reading.Sweeps;
import choir.server.standing.Standings;
import choir.server.web.Problem;
import choir.server.work.Task;
import choir.server.work.WorkView;
import choir.server.work.Works;
import java.net.URI;
import java.security.Principal;
import java.security.SecureRandom;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

/** New passwords at many recorders. */
@RestController
class PasswordApi {
    private static final int SHORTEST = 8;
    private static final int LONGEST = 64;
    private static final int MADE = 24;
    /** Letters and digits that recorders take and people can tell apart. */
    private static final String SIGNS = "abcdefghijkmnpqrstuvwxyzACDEFGHJKLMNPQRTUVWXY3479";

    /**
     * @param select whose recorders; empty for all
     * @param password the same for each; without it each gets one of its own, which nobody needs to know
     * @param waves as those of a rollout, of recorders; one recorder and a tenth of them when it is not said
     * @param plain also recorders without TLS, where anybody on the way can read the new password
     */
    record PasswordWish(
            @Nullable String select,
            @Nullable String password,
            @Nullable List<String> waves,
            @Nullable Boolean plain) {
        Optional<String> word() {
            return Optional.ofNullable(password);
        }

        Waves parts() {
            var said = waves == null ? List.of("1", "10%") : waves;
            return new Waves(said.stream().map(Waves.Part::parse).toList(), 0);
        }

        String selection() {
            return select == null ? "" : select;
        }

        /** @throws Problem when no recorder takes such a password */
        void check() {
            word().ifPresent(PasswordApi::require);
        }
    }

    /** @param why it is left out; missing when it is not */
    record PasswordLine(
            String recorder,
            String user,
            boolean tls,
            @Nullable String why) {}

    record PasswordOutlook(List<PasswordLine> recorders, int changed, int leftOut) {}

    private final FleetStore fleet;
    private final PasswordStore passwords;
    private final PauseStore pauses;
    private final KnownFamilies families;
    private final Standings standings;
    private final Secrets secrets;
    private final Sweeps sweeps;
    private final Works works;
    private final Database database;
    private final SecureRandom random = new SecureRandom();

    PasswordApi(
            FleetStore fleet,
            PasswordStore passwords,
            PauseStore pauses,
            KnownFamilies families,
            Standings standings,
            Secrets secrets,
            Sweeps sweeps,
            Works works,
            Database database) {
        this.fleet = fleet;
        this.passwords = passwords;
        this.pauses = pauses;
        this.families = families;
        this.standings = standings;
        this.secrets = secrets;
        this.sweeps = sweeps;
        this.works = works;
        this.database = database;
    }

    /** What would be done; nothing is. */
    @PostMapping("/api/v1/password-changes/outlook")
    PasswordOutlook outlook(@RequestBody PasswordWish wish) {
        wish.check();
        wish.parts();
        var lines = lines(wish);
        int changed = meant(lines).size();
        return new PasswordOutlook(lines, changed, lines.size() - changed);
    }

    @PostMapping("/api/v1/password-changes")
    ResponseEntity<WorkView> change(@RequestBody PasswordWish wish, Principal who) {
        wish.check();
        var waves = wish.parts();
        long id = database.write(() -> {
            var lines = lines(wish);
            var meant = meant(lines);
            if (meant.isEmpty()) {
                throw new Problem(
                        Problem.Kind.CONFLICT,
                        "there is no password to change: "
                                + lines.stream()
                                        .findFirst()
                                        .map(l -> l.recorder() + " " + l.why())
                                        .orElse("no recorder is selected"));
            }
            long work = works.add(new Task.Passwords(wish.selection(), waves), who.getName());
            sweeps.plan(work, meant);
            meant.forEach(r -> passwords.plan(r, secrets.encrypt(wish.word().orElseGet(this::made))));
            return work;
        });
        works.submit(id);
        return ResponseEntity.accepted()
                .location(URI.create("/api/v1/works/" + id))
                .body(WorkView.of(works.get(id)));
    }

    private static List<String> meant(List<PasswordLine> lines) {
        return lines.stream()
                .filter(l -> l.why() == null)
                .map(PasswordLine::recorder)
                .toList();
    }

    private List<PasswordLine> lines(PasswordWish wish) {
        boolean plain = Boolean.TRUE.equals(wish.plain());
        List<PasswordLine> lines = new ArrayList<>();
        for (var name : standings.recordersOf(wish.selection())) {
            var recorder = fleet.recorder(name);
            boolean tls = recorder.address()
                    .filter(a -> "https".equals(a.getScheme()))
                    .isPresent();
            lines.add(new PasswordLine(
                    name,
                    recorder.username(),
                    tls,
                    whyNot(recorder, tls || plain).orElse(null)));
        }
        return lines;
    }

    private Optional<String> whyNot(StoredRecorder recorder, boolean mayBeSent) {
        if (recorder.address().isEmpty()) {
            return Optional.of("has no network interface");
        }
        if (families.named(recorder.family()).filter(f -> f.onSite()).isPresent()) {
            return Optional.of("is set by hand");
        }
        var pause = pauses.of(recorder.name());
        if (pause.isPresent()) {
            return Optional.of("is paused until " + pause.get().until());
        }
        if (passwords.next(recorder.name()).isPresent()) {
            return Optional.of(
                    "has a new password on its way already; read it, and it is known which of the two it takes");
        }
        return mayBeSent
                ? Optional.empty()
                : Optional.of("is spoken to without TLS, so anybody on the way could read the new password");
    }

    private static void require(String password) {
        if (password.length() < SHORTEST
                || password.length() > LONGEST
                || password.chars().anyMatch(c -> c < ' ' || c > '~')) {
            throw new Problem(
                    Problem.Kind.INVALID,
                    "a recorder's password has " + SHORTEST + " to " + LONGEST
                            + " characters, none of which is a control character or outside ASCII");
        }
    }

    private String made() {
        var made = new StringBuilder();
        for (int i = 0; i < MADE; i++) {
            made.append(SIGNS.charAt(random.nextInt(SIGNS.length())));
        }
        return made.toString();
    }
}
