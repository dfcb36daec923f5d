package choir.survey;

import choir.family.Family;
import choir.family.NativeConfig;
import choir.fleet.Node;

/** One camera as it was read to be. */
public record Surveyed(Node.Camera camera, Node.Group group, Family family, NativeConfig held) {}
