package choir.server.fleet;

/**
 * Whoever keeps something about a recorder and wants to know when it goes, or when another device takes its place; called
 * within the transaction of it.
 */
public interface RecorderFollower {
    void recorderIsRemoved(String name);

    /** Its cameras stay; nothing that the old device held, or was given, is known of the new one. */
    void recorderIsReplaced(String name);
}
