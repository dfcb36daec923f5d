package choir.link;

import choir.family.Family;
import choir.refusal.Refusal;
import java.net.URI;
import java.util.Optional;

/**
 * How to reach one recorder. The password is never part of the text form.
 *
 * @param who how the recorder is called in messages
 * @param pinned the certificate that was confirmed for it, where it is spoken to by TLS
 * @param family absent while it is not known yet; a reading then names maker and model but no settings
 */
public record RecorderAccess(
        String who, URI address, String user, String password, Optional<Fingerprint> pinned, Optional<Family> family) {
    public RecorderAccess {
        boolean http = "http".equals(address.getScheme()) || "https".equals(address.getScheme());
        if (!http || address.getHost() == null) {
            throw new Refusal("\"" + address + "\" is not an address of a recorder; expected a form like"
                    + " http://10.20.0.5/onvif/device_service");
        }
    }

    public RecorderAccess(String who, URI address, String user, String password, Optional<Family> family) {
        this(who, address, user, password, Optional.empty(), family);
    }

    /** One that has no name of its own yet is called by host and port. */
    public RecorderAccess(URI address, String user, String password, Optional<Family> family) {
        this(String.valueOf(address.getAuthority()), address, user, password, family);
    }

    /** The same with another password. */
    public RecorderAccess with(String other) {
        return new RecorderAccess(who, address, user, other, pinned, family);
    }

    @Override
    public String toString() {
        return user + "@" + address;
    }
}
