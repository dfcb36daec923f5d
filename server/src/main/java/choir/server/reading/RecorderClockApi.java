package choir.server.reading;

import choir.link.RecorderLink;
import choir.link.RecorderLink.ClockSet;
import choir.server.fleet.FleetStore;
import choir.server.journal.Journal;
import java.security.Principal;
import java.time.Duration;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RestController;

/** Setting a recorder's clock, when somebody asks for it. */
@RestController
class RecorderClockApi {
    /**
     * @param before by how many seconds the clock was ahead, less than 0 when it was behind; missing when it could not be read
     * @param after the same now
     * @param fromServer it took its time from a server before, and keeps it by itself now
     */
    public record ClockSetView(
            String recorder,
            @Nullable Long before,
            @Nullable Long after,
            boolean fromServer) {}

    private final FleetStore fleet;
    private final Devices devices;
    private final RecorderLink link;
    private final Journal journal;

    RecorderClockApi(FleetStore fleet, Devices devices, RecorderLink link, Journal journal) {
        this.fleet = fleet;
        this.devices = devices;
        this.link = link;
        this.journal = journal;
    }

    @PostMapping("/api/v1/recorders/{name}/clock")
    ClockSetView set(@PathVariable String name, Principal who) {
        var recorder = fleet.recorder(name);
        journal.add(who.getName(), "sets the clock of a recorder", name, "");
        var set = devices.answer(recorder, link::setClock);
        journal.add(who.getName(), "set the clock of a recorder", name, words(set));
        return new ClockSetView(
                name,
                set.before().map(Duration::toSeconds).orElse(null),
                set.after().map(Duration::toSeconds).orElse(null),
                set.fromServer());
    }

    private static String words(ClockSet set) {
        return "ahead before " + set.before().map(d -> d.toSeconds() + " s").orElse("not known") + ", now "
                + set.after().map(d -> d.toSeconds() + " s").orElse("not known")
                + (set.fromServer() ? "; it no longer asks a time server" : "");
    }
}
