package choir.footage;

/** Footage that cannot be had or read, with the reason in one line. */
public final class FootageException extends RuntimeException {
    public FootageException(String message) {
        super(message);
    }

    public FootageException(String message, Throwable cause) {
        super(message, cause);
    }
}
