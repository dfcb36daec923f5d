package choir.server.fleet;

/** Whoever keeps something about a recorder and wants to know that it goes; called within the transaction that removes it. */
public interface RecorderRemoval {
    void recorderIsRemoved(String name);
}
