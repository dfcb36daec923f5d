package choir.fleet;

import choir.refusal.Refusal;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Base64;
import java.util.List;
import java.util.Optional;
import java.util.regex.Pattern;

/** A place that policy can be put on: a group of the tree, or one camera. */
public sealed interface Node extends Comparable<Node> {
    String text();

    /** Groups first, then cameras, each by its text. */
    @Override
    default int compareTo(Node other) {
        boolean group = this instanceof Group;
        return group == other instanceof Group ? text().compareTo(other.text()) : group ? -1 : 1;
    }

    /** A group by its path from the root, such as {@code fleet/terminals/haldr}. */
    record Group(String text) implements Node {
        private static final Pattern FORM = Pattern.compile("fleet(/[a-z0-9][a-z0-9-]{0,39}){0,12}");
        public static final Group ROOT = new Group("fleet");

        public Group {
            if (!FORM.matcher(text).matches()) {
                throw new Refusal("\"" + text + "\" is not a group; expected a path from the root such"
                        + " as fleet/terminals/haldr (lower-case letters, digits, dashes)");
            }
        }

        /** Whether that is a path of a group, with or without the root. */
        public static boolean isGroup(String path) {
            return FORM.matcher(path).matches() || FORM.matcher("fleet/" + path).matches();
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

    /**
     * One picture on one recorder: {@code haldr-1/07}. The channel is the recorder's own token and is opaque: any text of
     * up to 64 characters. Since a recorder's name has no slash, the text is taken apart at its first one.
     */
    record Camera(RecorderName recorder, String channel) implements Node {
        public static final int LONGEST_CHANNEL = 64;
        private static final Pattern PLAIN = Pattern.compile("[A-Za-z0-9_-][A-Za-z0-9_.-]*");

        public Camera {
            requireChannel(channel);
        }

        /** Refuses what is no channel: nothing, more than 64 characters, or half a character. */
        public static void requireChannel(String channel) {
            if (channel.isEmpty() || channel.length() > LONGEST_CHANNEL) {
                throw new Refusal("a channel has 1 to " + LONGEST_CHANNEL + " characters, not " + channel.length());
            }
            if (!isWellFormed(channel)) {
                throw new Refusal("a channel is text, and this one has half a character in it");
            }
        }

        private static boolean isWellFormed(String text) {
            return text.codePoints().noneMatch(c -> c >= Character.MIN_SURROGATE && c <= Character.MAX_SURROGATE);
        }

        /** As somebody says it, with or without the {@code camera:} of a selection. */
        public static Camera named(String text) {
            return parse(text.replaceFirst("^camera:", ""));
        }

        public static Camera parse(String text) {
            int cut = text.indexOf('/');
            if (cut < 1) {
                throw new Refusal(
                        "\"" + text + "\" is not a camera; expected recorder and channel, such as haldr-1/07");
            }
            return new Camera(new RecorderName(text.substring(0, cut)), text.substring(cut + 1));
        }

        /**
         * The channel as one segment of an address: itself when it is plain, else a tilde and its UTF-8 bytes in base64url
         * (RFC 4648, section 5, without padding), since slashes, dots and blanks mean something in addresses.
         */
        public String channelSegment() {
            return PLAIN.matcher(channel).matches()
                    ? channel
                    : "~"
                            + Base64.getUrlEncoder()
                                    .withoutPadding()
                                    .encodeToString(channel.getBytes(StandardCharsets.UTF_8));
        }

        /** The camera of an address; a segment without a tilde is the channel itself. */
        public static Camera ofSegments(String recorder, String segment) {
            return new Camera(new RecorderName(recorder), segment.startsWith("~") ? decoded(segment) : segment);
        }

        private static String decoded(String segment) {
            try {
                return StandardCharsets.UTF_8
                        .newDecoder()
                        .decode(ByteBuffer.wrap(Base64.getUrlDecoder().decode(segment.substring(1))))
                        .toString();
            } catch (IllegalArgumentException | CharacterCodingException e) {
                throw new Refusal("\"" + segment + "\" is no channel of an address; after the tilde stand the bytes of"
                        + " its text in base64url");
            }
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
