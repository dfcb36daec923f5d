package choir.cli;

/** An end that is told in one line, with the exit code that scripts rely on. */
final class Failure extends RuntimeException {
    static final int DONE = 0;
    static final int FAILED = 1;
    static final int WRONG_USAGE = 2;
    static final int FOUND = 3;
    static final int NOT_ALLOWED = 4;
    static final int NOT_REACHABLE = 5;

    private final int exitCode;

    Failure(int exitCode, String message) {
        super(message);
        this.exitCode = exitCode;
    }

    int exitCode() {
        return exitCode;
    }

    static Failure ofStatus(int status, String detail) {
        return new Failure(
                switch (status) {
                    case 401, 403, 429 -> NOT_ALLOWED;
                    case 502 -> NOT_REACHABLE;
                    default -> FAILED;
                },
                detail);
    }
}
