package choir.server.reading;

import choir.link.LinkException;
import choir.link.LinkException.Reason;
import choir.link.RecorderReading.Device;
import choir.server.fleet.DeviceStore;
import choir.server.fleet.FleetStore;
import choir.server.reading.Devices.Outcome;
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
        return outcome instanceof Outcome.Reached(var reading)
                ? doubt(recorder, reading.device())
                        .<Outcome>map(why -> new Outcome.Failed(new LinkException(Reason.ANOTHER_DEVICE, why)))
                        .orElse(outcome)
                : outcome;
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
