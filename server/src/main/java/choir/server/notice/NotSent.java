package choir.server.notice;

/** It could not be told now; the message says why, for people. */
final class NotSent extends Exception {
    NotSent(String message, Throwable cause) {
        super(message, cause);
    }

    NotSent(String message) {
        super(message);
    }
}
