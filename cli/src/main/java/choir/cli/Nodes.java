package choir.cli;

/**
 * Groups and cameras as people type them. A path is taken for a group when there is such a group, with or without the
 * root; otherwise {@code haldr-1/07} is a camera.
 */
final class Nodes {
    private Nodes() {}

    static String name(Client service, String typed) {
        if (typed.startsWith("group:") || typed.startsWith("camera:") || typed.equals("fleet")) {
            return typed;
        }
        var path = typed.startsWith("fleet/") ? typed : "fleet/" + typed;
        boolean group = Listing.items(service.get("/api/v1/groups")).stream()
                .anyMatch(g -> Listing.text(g, "group").equals(path));
        boolean camera = !group && typed.matches("[a-z0-9-]+/[A-Za-z0-9_.-]+");
        return camera ? "camera:" + typed : "group:" + path;
    }
}
