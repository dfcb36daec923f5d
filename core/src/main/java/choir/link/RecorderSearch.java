package choir.link;

import java.net.URI;
import java.util.List;
import java.util.Optional;

/** Looks for recorders at given addresses, one question to each; nothing is sent to any other. */
public interface RecorderSearch {
    /**
     * What came from one address.
     *
     * @param address the one that was asked
     * @param service where the recorder is to be spoken to; empty when nothing usable answered
     * @param name what it calls itself; may be empty
     * @param maker may be empty
     * @param model may be empty
     * @param why nothing usable answered, in words; empty when it did
     */
    record Answer(String address, Optional<URI> service, String name, String maker, String model, String why) {}

    /**
     * @param port at which the probes are sent
     * @param webPort at which an address that answers no probe is asked by an ordinary request
     * @return at least one answer for each address, in the order of the addresses; several recorders may share one
     */
    List<Answer> search(AddressRange range, int port, int webPort);
}
