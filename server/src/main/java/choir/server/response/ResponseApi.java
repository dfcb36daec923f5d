package choir.server.response;

import choir.family.NativeText;
import choir.family.NativeValue;
import choir.fleet.Node;
import choir.link.LinkException;
import choir.link.RecorderLink;
import choir.policy.Catalogue;
import choir.policy.SettingKey;
import choir.refusal.Refusal;
import choir.server.db.Database;
import choir.server.journal.Journal;
import choir.server.reading.Devices;
import choir.server.standing.Standing;
import choir.server.standing.Standings;
import choir.server.web.Problem;
import java.security.Principal;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** What else happens when something moves: what is set, when it was tried, and whether it came. */
@RestController
class ResponseApi {
    private static final int MOST_NOTE = 300;

    /**
     * A response that a recorder holds.
     *
     * @param held in the recorder's own words
     * @param tests whether the recorder can be told to try it; else somebody has to make something move
     * @param last the last try; missing when there was none
     */
    public record ResponseView(
            String camera,
            String label,
            String setting,
            String title,
            String held,
            boolean tests,
            @Nullable TriedView last) {}

    /**
     * @param by {@code recorder} or {@code hand}
     * @param said what the recorder answered; empty where nobody asked it
     * @param came whether something came; missing while nobody has said so
     * @param since the recorder holds something else since
     */
    public record TriedView(
            long id,
            String at,
            String who,
            String by,
            String held,
            String said,
            @Nullable Boolean came,
            @Nullable String cameBy,
            String note,
            boolean since) {}

    /** @param by {@code recorder} for its own test, {@code hand} when somebody made something move */
    record TryRequest(String camera, String setting, String by) {}

    record CameRequest(boolean came, @Nullable String note) {}

    private final ResponseStore store;
    private final Standings standings;
    private final Devices devices;
    private final RecorderLink link;
    private final Journal journal;
    private final Database database;
    private final Clock clock;

    ResponseApi(
            ResponseStore store,
            Standings standings,
            Devices devices,
            RecorderLink link,
            Journal journal,
            Database database,
            Clock clock) {
        this.store = store;
        this.standings = standings;
        this.devices = devices;
        this.link = link;
        this.journal = journal;
        this.database = database;
        this.clock = clock;
    }

    /** Of each selected camera the responses that its recorder holds, as far as that is known. */
    @GetMapping("/api/v1/responses")
    List<ResponseView> all(@RequestParam(defaultValue = "") String select) {
        List<ResponseView> views = new ArrayList<>();
        for (var camera : standings.someOf(select)) {
            var held = responses(camera);
            var last = held.isEmpty()
                    ? Map.<SettingKey, ResponseTrial>of()
                    : store.lastOf(camera.row().id());
            held.forEach((key, value) -> views.add(view(camera, key, value, Optional.ofNullable(last.get(key)))));
        }
        return views;
    }

    private static ResponseView view(Standing camera, SettingKey key, String held, Optional<ResponseTrial> last) {
        return new ResponseView(
                camera.camera().text(),
                camera.row().label(),
                key.text(),
                Catalogue.get(key).title(),
                held,
                camera.family().test(key, camera.camera().channel()).isPresent(),
                last.map(t -> view(t, held)).orElse(null));
    }

    private static TriedView view(ResponseTrial t, String held) {
        return new TriedView(
                t.id(),
                t.at().toString(),
                t.who(),
                t.byRecorder() ? "recorder" : "hand",
                t.held(),
                t.said(),
                t.came().orElse(null),
                t.cameBy().orElse(null),
                t.note(),
                !t.held().equals(held));
    }

    /** Those that are not off, in the recorder's own words. */
    private static Map<SettingKey, String> responses(Standing camera) {
        Map<SettingKey, String> found = new java.util.TreeMap<>();
        camera.held()
                .ifPresent(config -> config.values().forEach((key, value) -> {
                    if (key.isResponse() && !isOff(value)) {
                        found.put(key, NativeText.of(value));
                    }
                }));
        return found;
    }

    private static boolean isOff(NativeValue value) {
        return NativeText.of(value).equals("off");
    }

    /** What came of it is said afterwards, unless the recorder refuses. */
    @PostMapping("/api/v1/response-trials")
    @ResponseStatus(HttpStatus.CREATED)
    ResponseView attempt(@RequestBody TryRequest given, Principal who) {
        var camera = standings.of(Node.Camera.named(given.camera()));
        var key = Catalogue.named(given.setting()).key();
        var held = Optional.ofNullable(responses(camera).get(key))
                .orElseThrow(() -> new Problem(
                        Problem.Kind.CONFLICT,
                        camera.camera() + " holds no " + key + " that could be tried"
                                + camera.trouble().map(t -> ": " + t).orElse("; set it and give it out first")));
        boolean byRecorder = switch (given.by()) {
            case "recorder" -> true;
            case "hand" -> false;
            default -> throw new Refusal("\"" + given.by() + "\" is no way to try it; expected recorder or hand");
        };
        var said = byRecorder ? told(camera, key) : new Said("", Optional.empty());
        long id = database.write(() -> {
            journal.add(
                    who.getName(),
                    "tried a response",
                    camera.camera().text(),
                    key + " " + held + (byRecorder ? " by the recorder's test" : " by hand")
                            + (said.words().isEmpty() ? "" : ": " + said.words()));
            return store.add(
                    camera.row().id(),
                    key,
                    held,
                    clock.instant(),
                    who.getName(),
                    byRecorder,
                    said.words(),
                    said.came());
        });
        return view(camera, key, held, Optional.of(store.get(id)));
    }

    /** @param came empty where that has to be looked for elsewhere */
    private record Said(String words, Optional<Boolean> came) {}

    private Said told(Standing camera, SettingKey key) {
        var command = camera.family()
                .test(key, camera.camera().channel())
                .orElseThrow(() -> new Problem(
                        Problem.Kind.CONFLICT,
                        camera.family().title() + " has no test of " + key
                                + "; make something move before the camera, and say that it was tried by hand"));
        try {
            return new Said(
                    devices.answer(camera.recorder(), access -> link.command(access, command)), Optional.empty());
        } catch (LinkException e) {
            if (e.reason() == LinkException.Reason.REFUSED || e.reason() == LinkException.Reason.NOT_SUPPORTED) {
                return new Said("refused: " + e.getMessage(), Optional.of(false));
            }
            throw e;
        }
    }

    /** Whether something came of it. */
    @PutMapping("/api/v1/response-trials/{id}")
    ResponseView came(@PathVariable long id, @RequestBody CameRequest given, Principal who) {
        var note = given.note() == null ? "" : given.note().strip();
        if (note.length() > MOST_NOTE) {
            throw new Refusal("a note has at most " + MOST_NOTE + " characters");
        }
        return database.write(() -> {
            var trial = store.get(id);
            var camera = standings.of(trial.camera());
            store.came(id, given.came(), note, who.getName());
            journal.add(
                    who.getName(),
                    given.came() ? "saw a response come" : "saw no response come",
                    camera.camera().text(),
                    trial.setting() + " " + trial.held() + (note.isEmpty() ? "" : ": " + note));
            var held = responses(camera).getOrDefault(trial.setting(), "off");
            return view(camera, trial.setting(), held, Optional.of(store.get(id)));
        });
    }
}
