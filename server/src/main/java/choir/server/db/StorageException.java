package choir.server.db;

/** The database takes nothing, or gives nothing; the message says why and what to do. Nothing of the change was stored. */
public final class StorageException extends RuntimeException {
    StorageException(String message, Throwable cause) {
        super(message, cause);
    }

    StorageException(String message) {
        super(message);
    }
}
