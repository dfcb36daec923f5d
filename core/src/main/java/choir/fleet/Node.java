package choir.fleet;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Pattern;

/** A place that policy can be put on: a group of the tree, or one camera. */
public sealed interface Node extends Comparable<Node> {
    String text();

    @Override
    default int compareTo(Node other) {
        return (getClass().getSimpleName() + text()).compareTo(other.getClass().getSimpleName() + other.text());
    }

    /** A group by its path from the root, such as {@code fleet/terminals/haldr}. */
    record Group(String text) implements Node {
        private static final Pattern FORM = Pattern.compile("fleet(/[a-z0-9][a-z0-9-]{0,39}){0,12}");
        public static final Group ROOT = new Group("fleet");

        public Group {
            if (!FORM.matcher(text).matches()) {
                throw new IllegalArgumentException("\"" + text + "\" is not a group; expected a path from the root such"
                        + " as fleet/terminals/haldr (lower-case letters, digits, dashes)");
            }
        }

        /** Takes the path with or without the root. */
        public static Group of(String path) {
            return path.equals("fleet") || path.startsWith("fleet/") ? new Group(path) : new Group("fleet/" + path);
        }

        public Optional<Group> parent() {
            int cut = text.lastIndexOf('/');
            return cut < 0 ? Optional.empty() : Optional.of(new Group(text.substring(0, cut)));
        }

        public Group child(String name) {
            return new Group(text + "/" + name);
        }

        public String name() {
            return text.substring(text.lastIndexOf('/') + 1);
        }

        public boolean contains(Group other) {
            return other.equals(this) || other.text.startsWith(text + "/");
        }

        /** The groups from the root down to this one. */
        public List<Group> chain() {
            List<Group> chain = new ArrayList<>();
            for (Optional<Group> g = Optional.of(this);
                    g.isPresent();
                    g = g.get().parent()) {
                chain.addFirst(g.get());
            }
            return chain;
        }

        @Override
        public String toString() {
            return text;
        }
    }

    /** One picture on one recorder: {@code haldr-1/07}. */
    record Camera(RecorderName recorder, String channel) implements Node {
        private static final Pattern CHANNEL = Pattern.compile("[A-Za-z0-9_.-]{1,64}");

        public Camera {
            if (!CHANNEL.matcher(channel).matches()) {
                throw new IllegalArgumentException("\"" + channel + "\" is not a channel");
            }
        }

        public static Camera parse(String text) {
            int cut = text.indexOf('/');
            if (cut < 1) {
                throw new IllegalArgumentException(
                        "\"" + text + "\" is not a camera; expected recorder and channel, such as haldr-1/07");
            }
            return new Camera(new RecorderName(text.substring(0, cut)), text.substring(cut + 1));
        }

        @Override
        public String text() {
            return recorder.text() + "/" + channel;
        }

        @Override
        public String toString() {
            return text();
        }
    }

    /** Reads {@code group:…} or {@code camera:…}; a bare path under the root is a group, anything else a camera. */
    static Node parse(String text) {
        if (text.startsWith("group:")) {
            return Group.of(text.substring("group:".length()));
        }
        if (text.startsWith("camera:")) {
            return Camera.parse(text.substring("camera:".length()));
        }
        return text.equals("fleet") || text.startsWith("fleet/") ? new Group(text) : Camera.parse(text);
    }
}
