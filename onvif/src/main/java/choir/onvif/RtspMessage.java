package choir.onvif;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.UnaryOperator;

/**
 * A request or an answer of RTSP 1.0 (RFC 2326): its first line, its headers in order, its body as text.
 *
 * @param first without its end
 */
record RtspMessage(String first, List<Header> headers, String body) {
    private static final int LONGEST_LINE = 8_192;
    private static final int MOST_HEADERS = 100;
    private static final int LARGEST_BODY = 65_536;

    record Header(String name, String value) {}

    RtspMessage {
        headers = List.copyOf(headers);
    }

    /**
     * @param begin the first byte, which was read already
     * @throws IOException when it ends early, or is larger than any honest one
     */
    static RtspMessage read(int begin, InputStream in) throws IOException {
        var first = line(begin, in);
        List<Header> headers = new ArrayList<>();
        for (var line = line(in.read(), in); !line.isEmpty(); line = line(in.read(), in)) {
            int colon = line.indexOf(':');
            if (colon < 1 || headers.size() == MOST_HEADERS) {
                throw new IOException("headers that are none");
            }
            headers.add(new Header(
                    line.substring(0, colon).strip(), line.substring(colon + 1).strip()));
        }
        var message = new RtspMessage(first, headers, "");
        int length = message.header("Content-Length").map(RtspMessage::length).orElse(0);
        if (length < 0 || length > LARGEST_BODY) {
            throw new IOException("a body of " + length + " bytes");
        }
        byte[] body = in.readNBytes(length);
        if (body.length < length) {
            throw new IOException("it ended in the middle");
        }
        return new RtspMessage(first, headers, new String(body, StandardCharsets.UTF_8));
    }

    private static int length(String text) {
        return text.matches("\\d{1,6}") ? Integer.parseInt(text) : -1;
    }

    private static String line(int begin, InputStream in) throws IOException {
        var line = new StringBuilder();
        for (int c = begin; c != '\n'; c = in.read()) {
            if (c < 0 || line.length() > LONGEST_LINE) {
                throw new IOException(c < 0 ? "it ended in the middle" : "a line without an end");
            }
            if (c != '\r') {
                line.append((char) c);
            }
        }
        return line.toString();
    }

    void write(OutputStream out) throws IOException {
        byte[] bytes = body.getBytes(StandardCharsets.UTF_8);
        var head = new StringBuilder(first).append("\r\n");
        headers.stream()
                .filter(h -> !h.name().equalsIgnoreCase("Content-Length"))
                .forEach(h ->
                        head.append(h.name()).append(": ").append(h.value()).append("\r\n"));
        if (bytes.length > 0) {
            head.append("Content-Length: ").append(bytes.length).append("\r\n");
        }
        out.write(head.append("\r\n").toString().getBytes(StandardCharsets.ISO_8859_1));
        out.write(bytes);
        out.flush();
    }

    Optional<String> header(String name) {
        return headers.stream()
                .filter(h -> h.name().equalsIgnoreCase(name))
                .map(Header::value)
                .findFirst();
    }

    List<String> all(String name) {
        return headers.stream()
                .filter(h -> h.name().equalsIgnoreCase(name))
                .map(Header::value)
                .toList();
    }

    /** With that header once, in place of what was there. */
    RtspMessage with(String name, String value) {
        var others = new ArrayList<>(without(name).headers());
        others.add(new Header(name, value));
        return new RtspMessage(first, others, body);
    }

    RtspMessage without(String name) {
        return new RtspMessage(
                first,
                headers.stream().filter(h -> !h.name().equalsIgnoreCase(name)).toList(),
                body);
    }

    RtspMessage withFirst(String other) {
        return new RtspMessage(other, headers, body);
    }

    RtspMessage withBody(UnaryOperator<String> change) {
        return new RtspMessage(first, headers, change.apply(body));
    }

    /** Of a request. */
    String method() {
        return first.split(" ", 2)[0].toUpperCase(Locale.ROOT);
    }

    /** Of an answer; 0 when it is none. */
    int status() {
        var parts = first.split(" ", 3);
        return parts.length > 1 && parts[0].startsWith("RTSP/") && parts[1].matches("\\d{3}")
                ? Integer.parseInt(parts[1])
                : 0;
    }
}
