package choir.cli;

import java.time.Duration;
import java.util.Optional;
import tools.jackson.databind.JsonNode;

/** What the commands share that follow a look at footage. */
final class Looking {
    private Looking() {}

    static boolean isOver(JsonNode look) {
        return !Listing.text(look, "state").equals("looking");
    }

    static void pause(Duration time) {
        try {
            Thread.sleep(time);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new Failure(Failure.FAILED, "interrupted");
        }
    }

    /** When the person has had enough; who cannot be reached stops by itself within a minute. */
    static void stop(Client service, String address) {
        try {
            service.delete(address, Optional.empty());
        } catch (Failure e) {
            // It ends by itself.
        }
    }
}
