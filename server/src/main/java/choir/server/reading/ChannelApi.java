package choir.server.reading;

import choir.fleet.Node;
import choir.fleet.RecorderName;
import choir.server.db.Database;
import choir.server.fleet.FleetStore;
import choir.server.fleet.StoredCamera;
import choir.server.journal.Journal;
import choir.server.reading.Devices.Outcome;
import choir.server.web.Problem;
import choir.server.work.Task;
import choir.server.work.WorkView;
import choir.server.work.Works;
import java.net.URI;
import java.security.Principal;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** A person says where cameras hang, and how recorders are called. */
@RestController
class ChannelApi {
    /** @param camera as {@code haldr-1/07}; what hangs at {@code to} already changes places with it */
    record CameraMove(String camera, String to) {}

    /** @param follow true when the pictures hang on other channels, false when they were only called otherwise */
    record OrderRequest(boolean follow) {}

    record NewName(String name) {}

    private final FleetStore fleet;
    private final ChannelMoves moves;
    private final Devices devices;
    private final Sweeps sweeps;
    private final Works works;
    private final Journal journal;
    private final Database database;

    ChannelApi(
            FleetStore fleet,
            ChannelMoves moves,
            Devices devices,
            Sweeps sweeps,
            Works works,
            Journal journal,
            Database database) {
        this.fleet = fleet;
        this.moves = moves;
        this.devices = devices;
        this.sweeps = sweeps;
        this.works = works;
        this.journal = journal;
        this.database = database;
    }

    /** What the camera holds where it hangs now is read at once. */
    @PostMapping("/api/v1/camera-moves")
    ResponseEntity<WorkView> move(@RequestBody CameraMove given, Principal who) {
        var from = Node.Camera.parse(given.camera());
        var to = Node.Camera.parse(given.to());
        long id = database.write(() -> {
            var camera = fleet.camera(from);
            fleet.recorder(to.recorder().text());
            if (from.equals(to)) {
                throw new Problem(Problem.Kind.INVALID, from.text() + " hangs there already");
            }
            Map<StoredCamera, Node.Camera> moved = new LinkedHashMap<>();
            moved.put(camera, to);
            var there = fleet.find(to);
            there.ifPresent(other -> moved.put(other, from));
            moves.move(moved);
            // How a channel is called stays with the channel; what it is called now, the reading tells.
            there.ifPresent(other -> {
                fleet.seen(to.recorder(), to.channel(), other.label(), other.deviceName());
                fleet.seen(from.recorder(), from.channel(), camera.label(), camera.deviceName());
            });
            journal.add(who.getName(), "moved a camera to another channel", to.text(), "it was " + from.text());
            var recorders =
                    Stream.of(from, to).map(c -> c.recorder().text()).distinct().toList();
            long work = works.add(new Task.Reading(recorders), who.getName());
            sweeps.plan(work, recorders);
            return work;
        });
        works.submit(id);
        return ResponseEntity.accepted()
                .location(URI.create("/api/v1/works/" + id))
                .body(WorkView.of(works.get(id)));
    }

    /** Decides what it means that pictures stand on other channels; the recorder is asked again for it. */
    @PostMapping("/api/v1/recorders/{name}/order")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void order(@PathVariable String name, @RequestBody OrderRequest given, Principal who) {
        try (var conversation = devices.hold(fleet.recorder(name))) {
            var outcome = conversation.read();
            if (!(outcome instanceof Outcome.Reached(var reading, var _, var _))) {
                throw new Problem(Problem.Kind.RECORDER, name + " cannot be read now, so nothing was decided");
            }
            database.write(() -> {
                var known = fleet.camerasOf(name);
                var moved = ChannelOrder.moved(known, reading.channels());
                if (moved.isEmpty()) {
                    throw new Problem(Problem.Kind.CONFLICT, "the pictures of " + name + " are where they were");
                }
                if (given.follow()) {
                    follow(known, moved);
                } else {
                    reading.channels().stream()
                            .filter(c -> moved.containsKey(c.channel()))
                            .forEach(c -> fleet.seen(new RecorderName(name), c.channel(), c.label(), c.deviceName()));
                }
                journal.add(
                        who.getName(),
                        given.follow()
                                ? "said that pictures hang on other channels"
                                : "said that channels are only called otherwise",
                        name,
                        ChannelOrder.words(moved));
                sweeps.store(name, outcome);
            });
        }
    }

    private void follow(List<StoredCamera> known, Map<String, String> moved) {
        Map<StoredCamera, Node.Camera> follow = new LinkedHashMap<>();
        for (var camera : known) {
            var to = moved.get(camera.camera().channel());
            if (to != null) {
                follow.put(camera, new Node.Camera(camera.camera().recorder(), to));
            }
        }
        moves.move(follow);
    }

    /** Nobody speaks to the recorder meanwhile, so that nothing is stored under a name that is gone. */
    @PostMapping("/api/v1/recorders/{name}/name")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void rename(@PathVariable String name, @RequestBody NewName given, Principal who) {
        var fresh = new RecorderName(given.name().strip());
        try (var _ = devices.hold(fleet.recorder(name))) {
            database.write(() -> {
                fleet.recorder(name);
                if (fleet.find(fresh.text()).isPresent()) {
                    throw new Problem(Problem.Kind.CONFLICT, "there is a recorder " + fresh + " already");
                }
                moves.rename(name, fresh);
                journal.add(who.getName(), "called a recorder otherwise", fresh.text(), "it was " + name);
            });
        }
    }
}
