package choir.server.reach;

import choir.fleet.Node;
import choir.server.web.Problem;

/** Keeps whoever has roles in groups alone from what stands elsewhere, by where cameras stand now. */
public interface Keeper {
    /** Whether the person of this request may see that camera. */
    boolean sees(Node.Camera camera);

    /** Whether they may see a camera of that recorder. */
    boolean sees(String recorder);

    /** Whether something of that node is theirs to see. */
    default boolean sees(Node node) {
        return switch (node) {
            case Node.Camera camera -> sees(camera);
            case Node.Group group -> Reach.current().touches(group);
        };
    }

    /**
     * The node of that text.
     *
     * @throws Problem when something of it is not theirs to speak of
     */
    default Node held(String text) {
        var node = Node.parse(text);
        hold(node);
        return node;
    }

    /** @throws Problem when they may not see that camera, as when it is not there */
    void see(Node.Camera camera);

    /** @throws Problem when nothing of that node is theirs to see */
    void see(Node node);

    /** @throws Problem when no camera of that recorder is theirs to see */
    void see(String recorder);

    /** @throws Problem when something of that node is not theirs to speak of */
    void hold(Node node);

    /** @throws Problem when some camera of that recorder is not theirs */
    void hold(String recorder);
}
