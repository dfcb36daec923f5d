package choir.link;

import java.util.Optional;

/** A recorder that could not be read or written, with the reason in a form that a person can act on. */
public final class LinkException extends RuntimeException {
    public enum Reason {
        UNREACHABLE,
        TIMED_OUT,
        NOT_AUTHORIZED,
        GARBAGE,
        NOT_SUPPORTED,
        REFUSED,
        /** Its certificate is not the one that was confirmed; nothing was sent. */
        CERTIFICATE,
        /** Another device answers at the address. */
        ANOTHER_DEVICE,
        /** Its pictures stand on other channels than they did. */
        OTHER_ORDER
    }

    private final Reason reason;
    private final transient Optional<Fingerprint> presented;

    public LinkException(Reason reason, String message) {
        super(message);
        this.reason = reason;
        this.presented = Optional.empty();
    }

    /** A certificate that was not taken. */
    public LinkException(String message, Fingerprint presented) {
        super(message);
        this.reason = Reason.CERTIFICATE;
        this.presented = Optional.of(presented);
    }

    public LinkException(Reason reason, String message, Throwable cause) {
        super(message, cause);
        this.reason = reason;
        this.presented = Optional.empty();
    }

    /** True when there is no use in asking the recorder anything else now. */
    public boolean endsConversation() {
        return switch (reason) {
            case UNREACHABLE, TIMED_OUT, NOT_AUTHORIZED, CERTIFICATE, ANOTHER_DEVICE, OTHER_ORDER -> true;
            case GARBAGE, NOT_SUPPORTED, REFUSED -> false;
        };
    }

    /** True for what may be over in a moment, so that trying again is of use. */
    public boolean mayPass() {
        return switch (reason) {
            case UNREACHABLE, TIMED_OUT, GARBAGE -> true;
            case NOT_AUTHORIZED, NOT_SUPPORTED, REFUSED, CERTIFICATE, ANOTHER_DEVICE, OTHER_ORDER -> false;
        };
    }

    public Reason reason() {
        return reason;
    }

    /** The certificate that was shown and not taken. */
    public Optional<Fingerprint> presented() {
        return presented;
    }
}
