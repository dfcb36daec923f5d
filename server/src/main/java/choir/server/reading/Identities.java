package choir.server.reading;

import choir.link.LinkException;
import choir.link.LinkException.Reason;
import choir.link.RecorderReading.Channel;
import choir.link.RecorderReading.Device;
import choir.server.fleet.DeviceStore;
import choir.server.fleet.FleetStore;
import choir.server.reading.Devices.Outcome;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;

/**
 * Whether the device that answered is the one that is meant. What another one says is not stored, not compared, and no
 * ground to write on, until a person says that it takes the place of the old one.
 */
@Component
class Identities {
    private final FleetStore fleet;
    private final DeviceStore devices;

    Identities(FleetStore fleet, DeviceStore devices) {
        this.devices = devices;
        this.fleet = fleet;
    }

    Outcome believed(String recorder, Outcome outcome) {
        return outcome instanceof Outcome.Reached(var reading, var _, var _)
                ? doubt(recorder, reading.device())
                        .map(why -> new LinkException(Reason.ANOTHER_DEVICE, why))
                        .or(() -> order(recorder, reading.channels()))
                        .<Outcome>map(Outcome.Failed::new)
                        .orElse(outcome)
                : outcome;
    }

    /** A setting that is written to another picture than it was meant for is worse than one that is not written. */
    private Optional<LinkException> order(String recorder, List<Channel> channels) {
        var moved = ChannelOrder.moved(fleet.camerasOf(recorder), channels);
        return moved.isEmpty()
                ? Optional.empty()
                : Optional.of(new LinkException(
                        Reason.OTHER_ORDER,
                        "the pictures of " + recorder + " stand on other channels: what was at "
                                + ChannelOrder.words(moved)
                                + "; say whether cameras follow their pictures (choir recorder order " + recorder
                                + " --follow) or were only called otherwise (--renamed)"));
    }

    private Optional<String> doubt(String recorder, Device device) {
        var known = fleet.find(recorder).map(r -> r.device().serial()).orElse("");
        if (device.serial().isEmpty() || device.serial().equals(known)) {
            return Optional.empty();
        }
        if (!known.isEmpty()) {
            return Optional.of("another device answers at the address of " + recorder + ": its serial number is "
                    + device.serial() + " and was " + known
                    + "; if it takes the place of the old one, say so with: choir"
                    + " recorder replace " + recorder);
        }
        return devices.sameDevice(recorder, device)
                .map(other -> recorder + " is the same device as " + other + " (serial number " + device.serial()
                        + "); remove one of the two");
    }
}
