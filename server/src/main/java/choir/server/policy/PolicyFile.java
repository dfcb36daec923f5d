package choir.server.policy;

/** @param name the path within the folder, such as {@code templates/house.yaml} */
public record PolicyFile(String name, String text) {}
