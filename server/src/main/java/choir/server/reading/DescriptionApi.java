package choir.server.reading;

import choir.link.GenericFamily;
import choir.link.RecorderLink;
import choir.server.fleet.FleetStore;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;

/** What a recorder says of its own abilities now, as a family file to begin with. */
@RestController
class DescriptionApi {
    /** @param text a family file; it is not stored */
    record Description(String recorder, String text) {}

    private final FleetStore fleet;
    private final Devices devices;
    private final RecorderLink link;

    DescriptionApi(FleetStore fleet, Devices devices, RecorderLink link) {
        this.fleet = fleet;
        this.devices = devices;
        this.link = link;
    }

    @GetMapping("/api/v1/recorders/{name}/description")
    Description description(@PathVariable String name) {
        var recorder = fleet.recorder(name);
        return new Description(name, GenericFamily.file(devices.answer(recorder, link::describe)));
    }
}
