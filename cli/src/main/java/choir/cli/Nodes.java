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
        var path = group(typed);
        boolean group = Listing.items(service.get("/api/v1/groups")).stream()
                .anyMatch(g -> Listing.text(g, "group").equals(path));
        if (group) {
            return "group:" + path;
        }
        int cut = typed.indexOf('/');
        boolean oneSlash = cut > 0 && cut == typed.lastIndexOf('/');
        boolean camera = cut > 0 && (oneSlash || isRecorder(service, typed.substring(0, cut)));
        return camera ? "camera:" + typed : "group:" + path;
    }

    /** A group's path with the root. */
    static String group(String typed) {
        var path = typed.startsWith("group:") ? typed.substring("group:".length()) : typed;
        return path.equals("fleet") || path.startsWith("fleet/") ? path : "fleet/" + path;
    }

    private static boolean isRecorder(Client service, String name) {
        return Listing.items(service.get("/api/v1/recorders")).stream()
                .anyMatch(r -> Listing.text(r, "name").equals(name));
    }
}
