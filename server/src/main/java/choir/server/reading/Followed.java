package choir.server.reading;

import choir.server.reading.Devices.Outcome;

/** What every reading is followed by, whoever asked for it; called within the transaction that stores it. */
public interface Followed {
    void by(String recorder, Outcome outcome);
}
