package choir.cli;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.net.ConnectException;
import java.net.HttpURLConnection;
import java.net.URI;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.ArrayList;
import java.util.Base64;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import javax.net.ssl.HttpsURLConnection;
import javax.net.ssl.SSLException;
import org.jspecify.annotations.Nullable;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * The service's network interface, as JSON. Everything that goes wrong is a {@link Failure} with one line. The oldest
 * client of the JDK is used because it starts in a third of the newer one's time.
 */
final class Client {
    static final JsonMapper JSON = JsonMapper.builder().build();
    private static final int PAGE = 1000;
    private static final int CONNECT_MILLISECONDS = 5_000;
    private static final int READ_MILLISECONDS = 30 * 60 * 1_000;

    /** An answer and the version of what it tells of. */
    record Answer(JsonNode body, Optional<String> version) {}

    private final URI service;
    private final Optional<String> token;
    private final Optional<Path> authorities;
    private boolean compared;

    /** Without a slash at its end. */
    URI address() {
        return service;
    }

    Client(URI service, Optional<String> token) {
        this(service, token, Optional.empty());
    }

    /** @param authorities a file of certificates (PEM) of those who vouch for the service, beside those that Java knows */
    Client(URI service, Optional<String> token, Optional<Path> authorities) {
        this.service = service;
        this.token = token;
        this.authorities = authorities;
    }

    JsonNode get(String path) {
        return getWithVersion(path).body();
    }

    Answer getWithVersion(String path) {
        return send("GET", path, Optional.empty(), Optional.empty());
    }

    /** All items of a list that comes in pages. */
    List<JsonNode> all(String path) {
        return first(Integer.MAX_VALUE, path);
    }

    /** The first so many of a list, whose pages are asked for until there are enough. */
    List<JsonNode> first(int most, String path) {
        List<JsonNode> items = new ArrayList<>();
        String cursor = "";
        while (items.size() < most) {
            int limit = Math.min(PAGE, most - items.size());
            var page = get(path + (path.contains("?") ? "&" : "?") + "limit=" + limit
                    + (cursor.isEmpty() ? "" : "&after=" + encode(cursor)));
            page.get("items").forEach(items::add);
            cursor = page.path("next").asString("");
            if (cursor.isEmpty()) {
                break;
            }
        }
        return items;
    }

    JsonNode post(String path, Object body) {
        return write("POST", path, body, Optional.empty());
    }

    JsonNode write(String method, String path, Object body, Optional<String> version) {
        return send(method, path, Optional.of(body), version).body();
    }

    JsonNode delete(String path, Optional<String> version) {
        return send("DELETE", path, Optional.empty(), version).body();
    }

    /** Something that is no JSON, such as a report. */
    byte[] file(String path) {
        var connection = connect("GET", path, Optional.empty());
        try (var in = answer(connection)) {
            var content = in.readAllBytes();
            if (connection.getResponseCode() >= 400) {
                understood(connection.getResponseCode(), content, null);
            }
            return content;
        } catch (ConnectException e) {
            throw noService();
        } catch (IOException e) {
            throw brokenOff(e);
        }
    }

    /** Brings something that is large into a file, which appears once it is whole. */
    void download(String path, Path to) {
        var connection = connect("GET", path, Optional.empty());
        var fresh = to.resolveSibling(to.getFileName() + ".new");
        try (var in = answer(connection)) {
            if (connection.getResponseCode() >= 400) {
                understood(connection.getResponseCode(), in.readAllBytes(), null);
            }
            Files.copy(in, fresh, StandardCopyOption.REPLACE_EXISTING);
            Files.move(fresh, to, StandardCopyOption.ATOMIC_MOVE);
        } catch (ConnectException e) {
            throw noService();
        } catch (IOException e) {
            throw brokenOff(e);
        }
    }

    /** Sends a file as it is, piece by piece. */
    JsonNode upload(String path, Path file) {
        var connection = connect("POST", path, Optional.empty());
        connection.setRequestProperty("Content-Type", "application/octet-stream");
        connection.setDoOutput(true);
        connection.setChunkedStreamingMode(1 << 16);
        try {
            try (var out = connection.getOutputStream()) {
                Files.copy(file, out);
            } catch (ConnectException e) {
                throw e;
            } catch (IOException e) {
                // It may have been refused before its end; the answer says so.
            }
            try (var in = answer(connection)) {
                compare(connection.getHeaderField("Choir-Version"));
                return understood(connection.getResponseCode(), in.readAllBytes(), null)
                        .body();
            }
        } catch (ConnectException e) {
            throw noService();
        } catch (IOException e) {
            throw brokenOff(e);
        }
    }

    private Failure noService() {
        return new Failure(
                Failure.NOT_REACHABLE,
                "no service answers at " + service + "; start one with: choir serve, or choir demo");
    }

    private Failure brokenOff(IOException e) {
        if (e instanceof SSLException) {
            return new Failure(
                    Failure.NOT_REACHABLE,
                    "the service at " + service + " cannot be told from another by its certificate: " + e.getMessage()
                            + "; CHOIR_CA names the file of who vouches for it");
        }
        return new Failure(Failure.NOT_REACHABLE, "the service at " + service + " broke off: " + e.getMessage());
    }

    /** Follows long work until it ends; tells of each step. */
    JsonNode follow(long work, Consumer<JsonNode> step) {
        var connection = connect("GET", "/api/v1/works/" + work + "/progress", Optional.empty());
        try (var lines = new BufferedReader(new InputStreamReader(answer(connection), StandardCharsets.UTF_8))) {
            for (var line = lines.readLine(); line != null; line = lines.readLine()) {
                if (line.startsWith("data:")) {
                    step.accept(JSON.readTree(line.substring("data:".length())));
                }
            }
        } catch (IOException e) {
            throw new Failure(Failure.NOT_REACHABLE, "the service went away while it worked; see choir status later");
        }
        return get("/api/v1/works/" + work);
    }

    private HttpURLConnection connect(String method, String path, Optional<String> version) {
        try {
            var connection = (HttpURLConnection) service.resolve(path).toURL().openConnection();
            if (connection instanceof HttpsURLConnection secure && authorities.isPresent()) {
                secure.setSSLSocketFactory(Trust.in(authorities.get()));
            }
            connection.setRequestMethod(method);
            connection.setConnectTimeout(CONNECT_MILLISECONDS);
            connection.setReadTimeout(READ_MILLISECONDS);
            token.ifPresent(t -> connection.setRequestProperty("Authorization", "Bearer " + t));
            version.ifPresent(v -> connection.setRequestProperty("If-Match", v));
            return connection;
        } catch (IOException | IllegalArgumentException e) {
            throw new Failure(Failure.WRONG_USAGE, service + " is not an address of a service: " + e.getMessage());
        }
    }

    private Answer send(String method, String path, Optional<Object> body, Optional<String> version) {
        var connection = connect(method, path, version);
        try {
            if (body.isPresent()) {
                connection.setRequestProperty("Content-Type", "application/json");
                connection.setDoOutput(true);
                connection.getOutputStream().write(JSON.writeValueAsBytes(body.get()));
            }
            try (var in = answer(connection)) {
                return understood(connection.getResponseCode(), in.readAllBytes(), connection.getHeaderField("ETag"));
            }
        } catch (ConnectException e) {
            throw noService();
        } catch (IOException e) {
            throw brokenOff(e);
        }
    }

    /** Once for a command, beside what it prints. */
    private void compare(@Nullable String version) {
        if (version != null && !compared) {
            compared = true;
            Version.doubt(version).ifPresent(System.err::println);
        }
    }

    private static InputStream answer(HttpURLConnection connection) throws IOException {
        var in = connection.getResponseCode() >= 400 ? connection.getErrorStream() : connection.getInputStream();
        return in == null ? InputStream.nullInputStream() : in;
    }

    private Answer understood(int status, byte[] content, @Nullable String version) {
        JsonNode body;
        try {
            body = content.length == 0 ? JSON.nullNode() : JSON.readTree(content);
        } catch (JacksonException e) {
            throw new Failure(Failure.FAILED, service + " did not answer as Choir does; is it another program?");
        }
        if (status >= 400) {
            throw Failure.ofStatus(status, body.path("detail").asString("the service answered " + status));
        }
        return new Answer(body, Optional.ofNullable(version));
    }

    /** What follows a path, in the order of the map. */
    static String query(Map<String, String> values) {
        return values.entrySet().stream()
                .map(v -> v.getKey() + "=" + encode(v.getValue()))
                .collect(Collectors.joining("&", "?", ""));
    }

    static String encode(String text) {
        return URLEncoder.encode(text, StandardCharsets.UTF_8);
    }

    static String select(String path, String selection) {
        return selection.isBlank() ? path : path + "?select=" + encode(selection);
    }

    /**
     * {@code haldr-1/07} as the end of an address; anything else is a wrong usage. A channel is opaque: one that is more
     * than letters, digits, dashes and dots goes as a tilde and its UTF-8 bytes in base64url.
     */
    static String camera(String name) {
        int cut = name.indexOf('/');
        if (cut < 1 || cut == name.length() - 1) {
            throw new Failure(
                    Failure.WRONG_USAGE,
                    "\"" + name + "\" is not a camera; expected recorder and channel, such as haldr-1/07");
        }
        var channel = name.substring(cut + 1);
        var segment = channel.matches("[A-Za-z0-9_-][A-Za-z0-9_.-]*")
                ? channel
                : "~"
                        + Base64.getUrlEncoder()
                                .withoutPadding()
                                .encodeToString(channel.getBytes(StandardCharsets.UTF_8));
        return "/api/v1/cameras/" + encode(name.substring(0, cut)) + "/" + segment;
    }

    static Map<String, Object> body() {
        return new java.util.LinkedHashMap<>();
    }
}
