package choir.fleet;

import java.util.Set;

/** What a selection can ask of a camera. */
public interface CameraFacts {
    Node.Camera camera();

    Node.Group group();

    /** The name of its recorder's family. */
    String familyName();

    /** In lower case, since letters of either case find it. */
    String loweredLabel();

    /** In lower case. */
    String loweredDeviceName();

    Set<String> tags();

    /** Names of the templates that reach the camera, by any node of its chain. */
    Set<String> templates();

    Set<CameraState> states();
}
