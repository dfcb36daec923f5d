package choir.server.web;

import org.springframework.http.HttpStatus;

/** Something that a caller did or asked for that cannot be; the message says what, where and what to do. */
public final class Problem extends RuntimeException {
    /** Each with its HTTP status; the command line makes its exit code from that. */
    public enum Kind {
        INVALID(HttpStatus.BAD_REQUEST),
        NOT_FOUND(HttpStatus.NOT_FOUND),
        CONFLICT(HttpStatus.CONFLICT),
        STALE(HttpStatus.PRECONDITION_FAILED),
        VERSION_MISSING(HttpStatus.PRECONDITION_REQUIRED),
        NOT_ALLOWED(HttpStatus.FORBIDDEN),
        SIGNED_OUT(HttpStatus.UNAUTHORIZED),
        /** The password was right, and a second factor is asked for as well. */
        CODE_NEEDED(HttpStatus.UNAUTHORIZED),
        TOO_MANY(HttpStatus.TOO_MANY_REQUESTS),
        RECORDER(HttpStatus.BAD_GATEWAY);

        private final HttpStatus status;

        Kind(HttpStatus status) {
            this.status = status;
        }

        HttpStatus status() {
            return status;
        }
    }

    private final Kind kind;

    public Problem(Kind kind, String message) {
        super(message);
        this.kind = kind;
    }

    public Kind kind() {
        return kind;
    }

    public static Problem notFound(String what, String name, java.util.Collection<String> known) {
        return new Problem(
                Kind.NOT_FOUND, "there is no " + what + " \"" + name + "\"" + choir.fleet.Nearest.hint(name, known));
    }
}
